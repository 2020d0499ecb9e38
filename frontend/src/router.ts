import { createRouter, createWebHistory } from "vue-router";
import BoardPage from "./shop/BoardPage.vue";

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: "/", component: BoardPage },
    { path: "/drawer", component: () => import("./shop/DrawerPage.vue") },
    { path: "/receive", component: () => import("./shop/ReceivePage.vue") },
    { path: "/gauges", component: () => import("./shop/GaugesPage.vue") },
    { path: "/jobs/:job", component: () => import("./stages/job/JobPage.vue"), props: true },
    { path: "/jobs/:job/set/:setting", component: () => import("./stages/set/SetPage.vue"), props: true },
    { path: "/jobs/:job/receive", component: () => import("./stages/job/ReceivedPage.vue"), props: true },
    { path: "/jobs/:job/strip", component: () => import("./stages/strip/StripPage.vue"), props: true },
    { path: "/jobs/:job/inspect", component: () => import("./stages/inspect/InspectPage.vue"), props: true },
    { path: "/orders", component: () => import("./shop/OrdersPage.vue") },
    { path: "/look-fors", component: () => import("./shop/LookForsPage.vue") },
    { path: "/jobs/:job/definition", component: () => import("./stages/job/JobTypePage.vue"), props: true },
    { path: "/types", component: () => import("./shop/TypesPage.vue") },
    { path: "/types/:type", component: () => import("./shop/TypePage.vue"), props: true },
    { path: "/search", component: () => import("./shop/SearchPage.vue") },
    { path: "/jobs/:job/record", component: () => import("./stages/record/RecordPage.vue"), props: true },
    { path: "/:rest(.*)*", component: () => import("./shop/LostPage.vue") },
  ],
});
