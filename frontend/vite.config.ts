import { fileURLToPath } from "node:url";
import tailwindcss from "@tailwindcss/vite";
import vue from "@vitejs/plugin-vue";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

/** The page opens without the yard: all of it is kept by the browser, and a newer one waits to be taken. */
const kept = VitePWA({
  registerType: "prompt",
  injectRegister: false,
  workbox: {
    globPatterns: ["**/*.{js,css,html,svg,png,woff2}"],
    navigateFallback: "/index.html",
    navigateFallbackDenylist: [/^\/api\//],
    cleanupOutdatedCaches: true,
  },
  manifest: {
    name: "Bornek",
    short_name: "Bornek",
    description: "Measuring and setting at the bench.",
    start_url: "/",
    display: "standalone",
    background_color: "#dde2e1",
    theme_color: "#dde2e1",
    icons: [
      { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
      { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
    ],
  },
});

/** A shared file is named after all the pages that use it. */
const short = (name: string) => name.replace(/[~.].*$/, "");

export default defineConfig({
  plugins: [vue(), tailwindcss(), kept],
  resolve: { alias: { "@": fileURLToPath(new URL("./src", import.meta.url)) } },
  build: {
    outDir: "../src/bornek/page",
    emptyOutDir: true,
    assetsInlineLimit: 0,
    rolldownOptions: {
      output: {
        /** What several pages use, in one file: thirty requests of a page cost it a sixth of its opening, and of a few
         * files that need one another one is run before what it needs is there. */
        codeSplitting: {
          groups: [
            { name: "vue", test: /node_modules[\\/]@?vue/, priority: 1 },
            { name: "shared", minShareCount: 2 },
          ],
        },
        chunkFileNames: (chunk) => `assets/${short(chunk.name)}-[hash].js`,
        assetFileNames: (asset) => `assets/${short(asset.names[0] ?? "")}-[hash][extname]`,
      },
    },
  },
  server: { proxy: { "/api": process.env.BORNEK_API ?? "http://127.0.0.1:8460" } },
});
