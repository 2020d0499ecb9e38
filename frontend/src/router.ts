import { createRouter, createWebHistory } from "vue-router";
import { at, rigBase } from "./api/rigAddress";
import BoardPage from "./shop/BoardPage.vue";
import { rigRoutes, stageRoutes } from "./stages/pages";

export const router = createRouter({
  history: createWebHistory(at("/")),
  routes: rigBase
    ? rigRoutes
    : [
        { path: "/", component: BoardPage },
        { path: "/drawer", component: () => import("./shop/DrawerPage.vue") },
        { path: "/bench", component: () => import("./shop/BenchPage.vue") },
        { path: "/receive", component: () => import("./shop/ReceivePage.vue") },
        { path: "/limits", component: () => import("./shop/LimitsPage.vue") },
        { path: "/practice", component: () => import("./shop/practice/PracticePage.vue") },
        { path: "/gauges", component: () => import("./shop/GaugesPage.vue") },
        ...stageRoutes,
        {
          path: "/jobs/:job/set/:setting/what-if",
          component: () => import("./stages/mesh/WhatIfPage.vue"),
          props: true,
        },
        {
          path: "/jobs/:job/mesh/train",
          component: () => import("./stages/mesh/TrainPage.vue"),
          props: true,
        },
        { path: "/jobs/:job/set/:setting", component: () => import("./stages/set/SetPage.vue"), props: true },
        { path: "/jobs/:job/plan/:step", component: () => import("./stages/plan/StepPage.vue"), props: true },
        { path: "/units/:unit", component: () => import("./shop/life/LifePage.vue"), props: true },
        { path: "/orders", component: () => import("./shop/OrdersPage.vue") },
        { path: "/today", component: () => import("./shop/TodayPage.vue") },
        { path: "/tools", component: () => import("./shop/ToolsPage.vue") },
        { path: "/hours", component: () => import("./shop/HoursPage.vue") },
        { path: "/sums/:kind?", component: () => import("./shop/SumsPage.vue"), props: true },
        { path: "/look-fors", component: () => import("./shop/LookForsPage.vue") },
        {
          path: "/jobs/:job/definition",
          component: () => import("./stages/job/JobTypePage.vue"),
          props: true,
        },
        { path: "/types", component: () => import("./shop/types/TypesPage.vue") },
        { path: "/types/new", component: () => import("./shop/types/NewTypePage.vue") },
        { path: "/types/:type", component: () => import("./shop/types/TypePage.vue"), props: true },
        { path: "/report", component: () => import("./shop/ReportPage.vue") },
        { path: "/people", component: () => import("./shop/people/PeoplePage.vue") },
        { path: "/me", component: () => import("./shop/people/OwnPage.vue") },
        { path: "/yard", component: () => import("./shop/YardPage.vue") },
        { path: "/search", component: () => import("./shop/SearchPage.vue") },
        { path: "/:rest(.*)*", component: () => import("./shop/LostPage.vue") },
      ],
});
