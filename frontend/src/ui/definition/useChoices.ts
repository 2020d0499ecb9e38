import { useQuery } from "@tanstack/vue-query";
import { computed, type Ref } from "vue";
import { api, unwrap } from "../../api/client";
import { LEAVES, type Column, type Definition, type Leaf, type Row } from "./columns";
import { findRow, labelOf, onShaft, rowsOf } from "./rows";
import type { Preview } from "./usePreview";

type Options = [string, string][];
const pairs = (rows: Row[]): Options => rows.map((r) => [String(r["key"]), String(r["label"])]);

/** What can be chosen for each field of a row, and which fields it has. */
export function useChoices(definition: Ref<Definition>, data: Preview["data"]) {
  const gauges = useQuery({ queryKey: ["gauges"], queryFn: () => unwrap(api.GET("/api/gauges")) });
  const drawer = useQuery({ queryKey: ["drawer"], queryFn: () => unwrap(api.GET("/api/drawer")) });
  const kinds = computed(() => data.value?.kinds ?? []);
  const gearKinds = computed(() => new Set(kinds.value.filter((k) => k.gear).map((k) => k.key)));
  const isGear = (r: Row) => gearKinds.value.has(String(r["kind"]));
  const parts = () => rowsOf(definition.value, "parts");
  const forms = computed<Options>(() => {
    const named = rowsOf(definition.value, "places").map((p) => String(p["shim_form"] ?? "none"));
    const all = [...(drawer.data.value ?? []).map((lot) => lot.form), ...named];
    const others = [...new Set(all)].filter((f) => f && f !== "none").sort();
    return [["none", "no shims"], ...others.map((f) => [f, f] as [string, string])];
  });
  const from: Record<string, (row: Row) => Options> = {
    kinds: () => kinds.value.map((k) => [k.key, k.label]),
    setting_kinds: () => (data.value?.setting_kinds ?? []) as Options,
    several: (step) =>
      parts()
        .filter(
          (p) =>
            Number(p["count"] ?? 1) > 1 && ((step["parts"] ?? []) as string[]).includes(String(p["key"])),
        )
        .map((p) => [String(p["key"]), `${String(p["label"])} (of ${String(p["count"])})`]),
    joined: () => [
      ...pairs(parts().filter((p) => Number(p["teeth"] ?? 0) > 0)),
      ...pairs(rowsOf(definition.value, "shafts")),
      ...pairs(rowsOf(definition.value, "meshes")),
    ],
    spots: () => [...pairs(parts()), ...pairs(rowsOf(definition.value, "meshes"))],
    gears: () => pairs(parts().filter((p) => isGear(p) && p["shaft"])),
    own_parts: (shaft) => pairs(onShaft(definition.value, String(shaft["key"]))),
    carriers: () => pairs(parts().filter((p) => p["kind"] === "planet_carrier")),
    other_shafts: (shaft) =>
      pairs(rowsOf(definition.value, "shafts").filter((s) => s["key"] !== shaft["key"])),
    serials: () => pairs(parts().filter((p) => p["identity"] === true)),
    gauges: () => (gauges.data.value ?? []).map((g) => [g.id, g.name] as [string, string]),
    forms: () => forms.value,
  };
  function options(column: Column, row: Row): Options {
    if (typeof column.options !== "string") return column.options ?? [];
    const found = from[column.options];
    const others = () => rowsOf(definition.value, column.options as Leaf).filter((r) => r !== row);
    const all = found ? found(row) : pairs(others());
    return [...all, ...strays(all, row[column.key])];
  }
  /** What stands in a field though it cannot be chosen there any more, by its name. */
  function strays(all: Options, value: unknown): Options {
    const now = typeof value === "string" && value ? value : "";
    return now && !all.some(([key]) => key === now) ? [[now, named(now)]] : [];
  }
  const named = (key: string) => {
    const row = LEAVES.map(([leaf]) => findRow(definition.value, leaf, key)).find(Boolean);
    return row ? labelOf(row) : key;
  };
  const shows = (column: Column, row: Row) =>
    (!column.gears || isGear(row) || row[column.key] !== undefined) && (column.when?.(row) ?? true);
  return { options, shows, kinds, isGear };
}
export type Choices = ReturnType<typeof useChoices>;
