import { computed, ref, type Ref } from "vue";
import type { Definition, Leaf, Row } from "./columns";
import { findRow, onShaft, rowsOf } from "./rows";

/** What is in hand: one row of one leaf, or a leaf as a list. */
export interface Held {
  leaf: Leaf;
  key: string;
}

/** What is in hand on the drawing, and the shaft that the next part goes on. */
export function useHand(definition: Ref<Definition>) {
  const held = ref<Held | null>(null);
  /** A field whose value is tapped on the drawing. */
  const picking = ref<string | null>(null);
  /** What was tapped last for that field though it is none of what can be chosen there. */
  const refused = ref("");
  const row = computed<Row | undefined>(() =>
    held.value ? findRow(definition.value, held.value.leaf, held.value.key) : undefined,
  );
  const part = computed(() => (held.value?.leaf === "parts" ? held.value.key : ""));
  const shaft = computed(() => {
    if (held.value?.leaf === "shafts") return held.value.key;
    if (held.value?.leaf === "parts") return String(row.value?.["shaft"] ?? "");
    return "";
  });
  function take(leaf: Leaf, key: string) {
    held.value = { leaf, key };
    picking.value = null;
    refused.value = "";
  }
  function list(leaf: Leaf) {
    take(leaf, "");
  }
  /** A field waits for a tap on the drawing, or no longer. */
  const pick = (field: string) => (picking.value = picking.value === field ? null : field);
  function letGo() {
    if (picking.value) picking.value = null;
    else held.value = null;
  }
  /** The part before or behind on the same shaft; from a shaft, its first or last. */
  function step(by: -1 | 1) {
    const own = onShaft(definition.value, shaft.value);
    if (!own.length) return;
    const at = own.findIndex((p) => p["key"] === part.value);
    const next = at < 0 ? own.at(by > 0 ? 0 : -1) : own[Math.min(Math.max(at + by, 0), own.length - 1)];
    if (next) take("parts", String(next["key"]));
  }
  function stepShaft(by: -1 | 1) {
    const shafts = rowsOf(definition.value, "shafts");
    const at = shafts.findIndex((s) => s["key"] === shaft.value);
    const next = shafts[at < 0 ? 0 : Math.min(Math.max(at + by, 0), shafts.length - 1)];
    if (next) take("shafts", String(next["key"]));
  }
  return { held, row, part, shaft, picking, refused, pick, take, list, letGo, step, stepShaft };
}
export type Hand = ReturnType<typeof useHand>;
