import { fileURLToPath } from "node:url";
import tailwindcss from "@tailwindcss/vite";
import vue from "@vitejs/plugin-vue";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [vue(), tailwindcss()],
  resolve: { alias: { "@": fileURLToPath(new URL("./src", import.meta.url)) } },
  build: { outDir: "../src/bornek/page", emptyOutDir: true, assetsInlineLimit: 0 },
  server: { proxy: { "/api": process.env.BORNEK_API ?? "http://127.0.0.1:8460" } },
});
