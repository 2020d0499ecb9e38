import type { Component } from "vue";
import BenchLayout from "./BenchLayout.vue";
import SideBySideLayout from "./SideBySideLayout.vue";

/** How a setting is laid out, by the name that its kind gives; a name that is not here gets the bench. */
const layouts: Record<string, Component> = { bench: BenchLayout, side_by_side: SideBySideLayout };

export function layoutOf(name: string): Component {
  return layouts[name] ?? BenchLayout;
}
