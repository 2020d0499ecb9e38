import { LEAVES, type Definition, type Leaf, type Row } from "./columns";
import { findRow, labelOf, rowsOf } from "./rows";

/** A row that is about a part or a shaft. */
export interface Related {
  leaf: Leaf;
  key: string;
  label: string;
  what: string;
}
const WHAT: Partial<Record<Leaf, string>> = {
  meshes: "mesh",
  places: "place",
  settings: "setting",
  steps: "step",
  levers: "lever",
  timing: "timing mark",
  covers: "eccentric cover",
  shafts: "shaft",
};

function names(row: Row, keys: Set<string>): boolean {
  return Object.entries(row).some(([field, value]) => {
    if (field === "key" || field === "label") return false;
    if (typeof value === "string") return keys.has(value);
    if (Array.isArray(value))
      return value.some((x) => (typeof x === "string" ? keys.has(x) : names(x, keys)));
    return false;
  });
}

/** Every row that names a part, and those that name what is at it: its meshes, its places, their settings. */
export function relatedTo(d: Definition, part: string): Related[] {
  const found: Related[] = [];
  const keys = new Set([part]);
  for (const leaf of [
    "shafts",
    "meshes",
    "places",
    "settings",
    "timing",
    "levers",
    "covers",
    "steps",
  ] as Leaf[]) {
    for (const row of rowsOf(d, leaf)) {
      if (!names(row, keys)) continue;
      const key = String(row["key"]);
      found.push({ leaf, key, label: labelOf(row) || "without a name", what: WHAT[leaf] ?? leaf });
      if (leaf === "meshes" || leaf === "places") keys.add(key);
    }
  }
  return found;
}

/** Which list of the definition a row stands in, in words. */
export const leafWords = (leaf: Leaf): string => LEAVES.find(([key]) => key === leaf)?.[1] ?? leaf;

/** What is said beside a row in its list. */
export function beside(d: Definition, leaf: Leaf, row: Row): string {
  const named = (l: Leaf, field: string) => {
    const key = String(row[field] ?? "");
    return key ? labelOf(findRow(d, l, key)) : "";
  };
  const at = named("parts", "at") || named("meshes", "at");
  const ends = [named("parts", "driver"), named("parts", "driven")].filter(Boolean).join(" and ");
  const steps = leaf === "steps" ? `${((row["parts"] ?? []) as string[]).length} parts` : "";
  return [named("shafts", "shaft"), at, named("places", "place"), ends, named("parts", "dog"), steps]
    .filter(Boolean)
    .join(" · ");
}
