import { VueQueryPlugin } from "@tanstack/vue-query";
import { createApp } from "vue";
import { Refusal } from "./api/client";
import App from "./App.vue";
import { followTheme } from "./composables/useTheme";
import { router } from "./router";
import "./styles/main.css";

followTheme();
/** What the server has refused it refuses again; only what it never answered is asked once more. */
const lost = (error: Error) => !(error instanceof Refusal) || error.problem.code === "unreachable";

createApp(App)
  .use(router)
  .use(VueQueryPlugin, {
    queryClientConfig: {
      defaultOptions: {
        queries: {
          retry: (tried, error) => tried < 1 && lost(error),
          staleTime: 2000,
          networkMode: "always",
        },
      },
    },
  })
  .mount("#app");
