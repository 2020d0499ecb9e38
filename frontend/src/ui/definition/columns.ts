/** What can be written in each row of a definition, and how it is asked. */
export type Cell = string | number | boolean | string[] | Record<string, unknown> | Row[] | undefined;
export interface Row {
  [field: string]: Cell;
}
export type Definition = Record<string, Row[] | string[] | string | undefined>;
export type Leaf = "shafts" | "parts" | "meshes" | "places" | "settings";
export interface Column {
  key: string;
  label: string;
  kind: "text" | "number" | "yes" | "choice" | "many";
  /** Fixed options, or the rows of a leaf whose keys can be chosen. */
  options?: [string, string][] | Leaf | "spots" | "kinds" | "setting_kinds";
  may_lack?: boolean;
  /** What holds while nothing is chosen. */
  fallback?: string;
}

const key: Column = { key: "key", label: "Key", kind: "text" };
const label: Column = { key: "label", label: "Name", kind: "text" };
const sides: [string, string][] = ["left", "right", "above", "below"].map((s) => [s, s]);

export const COLUMNS: Record<Leaf, Column[]> = {
  shafts: [
    label,
    key,
    {
      key: "line",
      label: "Lies",
      kind: "choice",
      fallback: "level",
      options: [
        ["level", "level"],
        ["upright", "upright"],
      ],
    },
    { key: "after", label: "In line after", kind: "choice", options: "shafts", may_lack: true },
    { key: "beside", label: "Beside", kind: "choice", options: "shafts", may_lack: true },
    { key: "carried", label: "Bearings in a carrier", kind: "yes" },
  ],
  parts: [
    label,
    key,
    { key: "kind", label: "Kind", kind: "choice", options: "kinds" },
    { key: "shaft", label: "On shaft", kind: "choice", options: "shafts", may_lack: true },
    { key: "number", label: "Number", kind: "text" },
    { key: "count", label: "How many", kind: "number" },
    { key: "teeth", label: "Teeth", kind: "number" },
    { key: "size", label: "Drawn size", kind: "number" },
    { key: "faces", label: "Which way round", kind: "text" },
    { key: "single_use", label: "Single use", kind: "yes" },
    { key: "safety", label: "Can hurt someone", kind: "yes" },
    { key: "scarce", label: "Hard to get", kind: "yes" },
    { key: "identity", label: "Has its own serial", kind: "yes" },
    { key: "flip", label: "Drawn the other way", kind: "yes" },
  ],
  meshes: [
    label,
    key,
    {
      key: "kind",
      label: "Kind",
      kind: "choice",
      fallback: "spur",
      options: [
        ["spur", "parallel"],
        ["bevel", "bevel"],
        ["worm", "worm"],
      ],
    },
    { key: "driver", label: "Driver", kind: "choice", options: "parts" },
    { key: "driven", label: "Driven", kind: "choice", options: "parts" },
    { key: "toward", label: "Driven lies", kind: "choice", options: sides, fallback: "right" },
    { key: "body", label: "Bevel gear's body", kind: "choice", options: sides, fallback: "below" },
  ],
  places: [
    label,
    key,
    { key: "at", label: "At", kind: "choice", options: "spots", may_lack: true },
    { key: "shim_form", label: "Shim form (none: no pack)", kind: "text" },
  ],
  settings: [
    label,
    key,
    { key: "kind", label: "Kind of setting", kind: "choice", options: "setting_kinds" },
    { key: "place", label: "Place", kind: "choice", options: "places" },
    { key: "gauge", label: "Gauge", kind: "text" },
    { key: "rides_on", label: "History goes with", kind: "choice", options: "parts", may_lack: true },
    { key: "rests_on", label: "Also disturbed by moves at", kind: "many", options: "places" },
  ],
};
export const LIMIT: Column[] = [
  { key: "least", label: "Least (mm, or as spoken)", kind: "text" },
  { key: "greatest", label: "Greatest (mm, or as spoken)", kind: "text" },
  { key: "source", label: "Source", kind: "text" },
  { key: "edition", label: "Revision", kind: "text" },
  {
    key: "basis",
    label: "For",
    kind: "choice",
    fallback: "new parts",
    options: [
      ["new parts", "new parts"],
      ["worn matched parts", "worn matched parts"],
    ],
  },
  { key: "serial_from", label: "From serial", kind: "text" },
  { key: "serial_to", label: "To serial", kind: "text" },
  { key: "text", label: "What the table says", kind: "text" },
  {
    key: "meant",
    label: "It means",
    kind: "choice",
    options: [
      ["play", "play"],
      ["preload", "preload"],
    ],
    may_lack: true,
  },
];
export const LEAVES: [Leaf, string, string][] = [
  ["shafts", "Shafts", "New shaft"],
  ["parts", "Parts", "New part"],
  ["meshes", "Meshes", "New mesh"],
  ["places", "Places", "New place"],
  ["settings", "Settings", "New setting"],
];
const fresh: Record<Leaf, Row> = {
  shafts: { line: "level" },
  parts: { kind: "gear" },
  meshes: { kind: "spur", toward: "right" },
  places: { shim_form: "none" },
  settings: { given: {}, limits: [] },
};

/** A new row with a key that is still free. */
export function newRow(leaf: Leaf, name: string, rows: Row[]): Row {
  const base = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "");
  let key = base;
  for (let n = 2; rows.some((r) => r["key"] === key); n++) key = `${base}-${n}`;
  return { key, label: name, ...fresh[leaf] };
}

/** The same definition with the value at a path such as settings[0].limits[1].meant put in. */
export function withValue(d: Definition, path: string, value: string): Definition {
  const copy = JSON.parse(JSON.stringify(d)) as Record<string, unknown>;
  const steps = path.split(/[.[\]]+/).filter(Boolean);
  let at: Record<string, unknown> = copy;
  for (const step of steps.slice(0, -1)) at = at[step] as Record<string, unknown>;
  const last = steps.at(-1);
  if (last) at[last] = value;
  return copy as Definition;
}
