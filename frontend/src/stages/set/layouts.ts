import type { Component } from "vue";
import BenchLayout from "./BenchLayout.vue";
import MeshLayout from "./MeshLayout.vue";
import SideBySideLayout from "./SideBySideLayout.vue";

/** How a setting is laid out, by the name that its kind gives; a name that is not here gets the bench. */
const layouts: Record<string, Component> = {
  bench: BenchLayout,
  side_by_side: SideBySideLayout,
  mesh: MeshLayout,
};
/** Readings that a layout takes at a drawing of its own, by what such a station accepts. */
const atItsDrawing: Record<string, string> = { mesh: "paint" };

export function takenAbove(name: string): string {
  return atItsDrawing[name] ?? "";
}

export function layoutOf(name: string): Component {
  return layouts[name] ?? BenchLayout;
}

/** The bay stands left of the instrument; beside two flanks it stands right. */
export function columnsOf(name: string): string {
  return name === "mesh"
    ? "md:grid-cols-[330px_1fr] lg:grid-cols-[1fr_372px]"
    : "md:grid-cols-[330px_1fr] lg:grid-cols-[372px_1fr]";
}
