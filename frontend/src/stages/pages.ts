import type { RouteRecordRaw } from "vue-router";

/** The page of each stage, by the key under which the server lists it. One that is not here is not built. */
const pages: Record<string, () => Promise<unknown>> = {
  receive: () => import("./job/ReceivedPage.vue"),
  strip: () => import("./strip/StripPage.vue"),
  inspect: () => import("./inspect/InspectPage.vue"),
  plan: () => import("./plan/PlanPage.vue"),
  fit: () => import("./fit/FitPage.vue"),
  set: () => import("./job/JobPage.vue"),
  mesh: () => import("./job/MeshPage.vue"),
  prove: () => import("./prove/ProvePage.vue"),
  record: () => import("./record/RecordPage.vue"),
};

/** At a rig only these pages are, each with what a rig has besides. */
export const rigRoutes = [
  { path: "/jobs/:job/inspect", component: () => import("./rig/RigCausePage.vue"), props: true },
  { path: "/jobs/:job/plan", component: () => import("./rig/RigOrderPage.vue"), props: true },
  { path: "/jobs/:job/set/:setting", component: () => import("./rig/RigSetPage.vue"), props: true },
  { path: "/:rest(.*)*", component: () => import("./rig/RigLostPage.vue") },
] as RouteRecordRaw[];

/** A job's own address is its Set stage; the others follow it by their key. */
export const stageRoutes = Object.entries(pages).map(([key, component]) => ({
  path: key === "set" ? "/jobs/:job" : `/jobs/:job/${key}`,
  component,
  props: true,
})) as RouteRecordRaw[];
