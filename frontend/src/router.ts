import { createRouter, createWebHistory } from "vue-router";
import BoardPage from "./shop/BoardPage.vue";

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: "/", component: BoardPage },
    { path: "/drawer", component: () => import("./shop/DrawerPage.vue") },
    { path: "/receive", component: () => import("./shop/ReceivePage.vue") },
    { path: "/gauges", component: () => import("./shop/GaugesPage.vue") },
    { path: "/jobs/:job", component: () => import("./stages/JobPage.vue"), props: true },
    { path: "/jobs/:job/set/:setting", component: () => import("./stages/SetPage.vue"), props: true },
    { path: "/jobs/:job/record", component: () => import("./stages/RecordPage.vue"), props: true },
    { path: "/:rest(.*)*", component: () => import("./shop/LostPage.vue") },
  ],
});
