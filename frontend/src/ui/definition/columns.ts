import { LOCKS, PROVE_COLUMNS, PROVE_FRESH, PROVE_LEAVES } from "./proveColumns";
import { STEP_COLUMNS } from "./stepColumns";
import { TRAIN_COLUMNS, TRAIN_FRESH, TRAIN_LEAVES } from "./trainColumns";

/** What can be written in each row of a definition, and how it is asked. */
export type Cell = string | number | boolean | string[] | Record<string, unknown> | Row[] | undefined;
export interface Row {
  [field: string]: Cell;
}
export type Definition = Record<string, Row[] | string[] | string | boolean | undefined>;
export type Leaf =
  | "shafts"
  | "parts"
  | "meshes"
  | "places"
  | "settings"
  | "steps"
  | "levers"
  | "interlocks"
  | "timing"
  | "covers"
  | "lubricant"
  | "prove"
  | "run_in";
/** What else can be chosen from. */
export type From =
  | "spots"
  | "joined"
  | "kinds"
  | "setting_kinds"
  | "several"
  | "gears"
  | "own_parts"
  | "carriers"
  | "other_shafts"
  | "serials"
  | "gauges"
  | "forms";
export interface Column {
  key: string;
  label: string;
  kind: "text" | "number" | "yes" | "choice" | "many" | "words" | "counts";
  /** Fixed options, or the rows of a leaf whose keys can be chosen. */
  options?: [string, string][] | Leaf | From;
  may_lack?: boolean;
  /** Another than those to choose from may be typed. */
  open?: boolean;
  /** Only of kinds that can mesh. */
  gears?: boolean;
  /** Only where this holds of the row. */
  when?: (row: Row) => boolean;
  /** Asked at once; the rest stands behind *More*. */
  first?: boolean;
  /** What holds while nothing is chosen. */
  fallback?: string;
}

const label: Column = { key: "label", label: "Name", kind: "text" };
const sides: [string, string][] = ["left", "right", "above", "below"].map((s) => [s, s]);
const hands: [string, string][] = ["right", "left"].map((s) => [s, `${s}-hand`]);

export const COLUMNS: Record<Leaf, Column[]> = {
  ...TRAIN_COLUMNS,
  ...PROVE_COLUMNS,
  shafts: [
    label,
    {
      key: "line",
      label: "Lies",
      first: true,
      kind: "choice",
      fallback: "level",
      options: [
        ["level", "level"],
        ["upright", "upright"],
      ],
    },
    { key: "after", label: "In line after", kind: "choice", options: "other_shafts", may_lack: true },
    { key: "inside", label: "Runs inside", kind: "choice", options: "other_shafts", may_lack: true },
    {
      key: "enters",
      label: "Enters it after",
      kind: "choice",
      options: "own_parts",
      may_lack: true,
      when: (r) => Boolean(r["inside"]),
    },
    { key: "pins", label: "Is the planet pins of", kind: "choice", options: "carriers", may_lack: true },
    { key: "hollow", label: "Hollow", kind: "yes" },
    { key: "stands", label: "Stands still", kind: "yes" },
    { key: "beside", label: "Beside", kind: "choice", options: "other_shafts", may_lack: true },
    { key: "carried", label: "Bearings in a carrier", kind: "yes" },
    {
      key: "power",
      label: "Power",
      first: true,
      kind: "choice",
      options: [
        ["in", "comes in here"],
        ["out", "goes out here"],
      ],
      may_lack: true,
    },
    {
      key: "turns",
      label: "Going forward it turns, from its left or top end",
      kind: "choice",
      options: [
        ["clockwise", "clockwise"],
        ["counter-clockwise", "counter-clockwise"],
      ],
      may_lack: true,
    },
    {
      key: "built",
      label: "Built",
      kind: "choice",
      options: [
        ["outside", "outside, as one piece"],
        ["threaded", "threaded through in the case"],
      ],
      may_lack: true,
    },
  ],
  parts: [
    label,
    { key: "kind", label: "Kind", kind: "choice", options: "kinds", first: true },
    { key: "teeth", label: "Teeth", kind: "number", gears: true, first: true },
    { key: "count", label: "How many", kind: "number", first: true },
    { key: "number", label: "Number", kind: "text", first: true },
    { key: "faces", label: "Which way round", kind: "text", when: (r) => r["kind"] === "seal", first: true },
    { key: "shaft", label: "On shaft", kind: "choice", options: "shafts", may_lack: true },
    { key: "cut", label: "Of those cut, on a sector", kind: "number", gears: true },
    { key: "free", label: "Turns free on its shaft until a dog joins it", kind: "yes", gears: true },
    { key: "held", label: "Stands fast in the housing", kind: "yes" },
    { key: "uneven", label: "Planets at uneven angles", kind: "yes", gears: true },
    { key: "size", label: "Drawn size", kind: "number" },
    { key: "faces", label: "Which way round", kind: "text", when: (r) => r["kind"] !== "seal" },
    { key: "single_use", label: "Single use", kind: "yes" },
    { key: "lock", label: "How it locks a thread", kind: "choice", options: LOCKS, may_lack: true },
    { key: "left_hand", label: "Left-hand thread", kind: "yes" },
    { key: "safety", label: "Can hurt someone", kind: "yes" },
    { key: "scarce", label: "Hard to get", kind: "yes" },
    { key: "identity", label: "Has its own serial", kind: "yes" },
    { key: "flip", label: "Drawn the other way", kind: "yes" },
    { key: "inside", label: "Lies inside", kind: "choice", options: "places", may_lack: true },
    { key: "seat", label: "The others go on outward from it", kind: "yes" },
    {
      key: "goes_in",
      label: "A seal goes in",
      kind: "choice",
      options: [
        ["inside", "from inside"],
        ["outside", "from outside, last"],
      ],
      may_lack: true,
    },
    { key: "tools", label: "Tools, with commas", kind: "words" },
    { key: "mass_kg", label: "Mass, kg", kind: "number" },
  ],
  meshes: [
    label,
    {
      key: "kind",
      label: "Kind",
      kind: "choice",
      fallback: "spur",
      options: [
        ["spur", "parallel"],
        ["bevel", "bevel"],
        ["hypoid", "hypoid: the axes pass each other"],
        ["worm", "worm"],
        ["sector", "sectors"],
        ["internal", "internal: in a ring gear"],
      ],
    },
    { key: "driver", label: "Driver", kind: "choice", options: "gears" },
    { key: "driven", label: "Driven", kind: "choice", options: "gears" },
    {
      key: "toward",
      label: "Driven lies",
      kind: "choice",
      options: [...sides, ["out", "out of the drawing's plane"]],
      fallback: "right",
    },
    {
      key: "body",
      label: "Bevel gear's body",
      kind: "choice",
      options: sides,
      fallback: "below",
      when: (r) => r["kind"] === "bevel" || r["kind"] === "hypoid",
    },
    {
      key: "hand",
      label: "A worm's thread",
      kind: "choice",
      options: hands,
      may_lack: true,
      when: (r) => r["kind"] === "worm" || Boolean(r["hand"]),
    },
    {
      key: "offset",
      label: "A hypoid pair's axes pass by, mm",
      kind: "number",
      when: (r) => r["kind"] === "hypoid" || Boolean(r["offset"]),
    },
  ],
  places: [
    label,
    { key: "at", label: "At", kind: "choice", options: "spots", may_lack: true },
    { key: "shim_form", label: "Shims", kind: "choice", options: "forms", fallback: "none", open: true },
    { key: "closed_by", label: "Closed by", kind: "many", options: "parts" },
    { key: "ways_in", label: "Ways in that stay, with commas", kind: "words" },
  ],
  settings: [
    label,
    { key: "kind", label: "Kind of setting", kind: "choice", options: "setting_kinds", first: true },
    { key: "place", label: "Place", kind: "choice", options: "places", first: true },
    { key: "gauge", label: "Gauge", kind: "choice", options: "gauges", may_lack: true, first: true },
    { key: "in_service", label: "How far it may wear in service", kind: "text" },
    { key: "service_source", label: "Where that comes from", kind: "text" },
    { key: "rides_on", label: "History goes with", kind: "choice", options: "serials", may_lack: true },
    { key: "rests_on", label: "Also disturbed by moves at", kind: "many", options: "places" },
  ],
  steps: STEP_COLUMNS,
};
export const LEAVES: [Leaf, string, string][] = [
  ["shafts", "Shafts", "New shaft"],
  ["parts", "Parts", "New part"],
  ["meshes", "Meshes", "New mesh"],
  ["places", "Places", "New place"],
  ["settings", "Settings", "New setting"],
  ["steps", "Steps", "New step"],
  ...TRAIN_LEAVES,
  ...PROVE_LEAVES,
];
const fresh: Record<Leaf, Row> = {
  shafts: { line: "level" },
  parts: { kind: "gear" },
  meshes: { kind: "spur" },
  places: { shim_form: "none" },
  settings: { given: {}, limits: [] },
  steps: {},
  ...TRAIN_FRESH,
  ...PROVE_FRESH,
};

/** What a new row of a leaf begins with. */
export const freshRow = (leaf: Leaf): Row => JSON.parse(JSON.stringify(fresh[leaf])) as Row;

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

/** A step without the counts of parts that it no longer takes. */
export function withItsCounts(row: Row): Row {
  if (!row["counts"]) return row;
  const parts = (row["parts"] ?? []) as string[];
  const kept = Object.entries(row["counts"] as Row).filter(([part]) => parts.includes(part));
  return { ...row, counts: kept.length ? Object.fromEntries(kept) : undefined };
}
