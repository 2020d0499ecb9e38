import { FITS, RESOURCES, WAITS } from "../stepWords";
import { LOCKS, PROVE_COLUMNS, PROVE_FRESH, PROVE_LEAVES, TORQUES_AGAIN } from "./proveColumns";
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
export interface Column {
  key: string;
  label: string;
  kind: "text" | "number" | "yes" | "choice" | "many" | "words" | "counts";
  /** Fixed options, or the rows of a leaf whose keys can be chosen. */
  options?: [string, string][] | Leaf | "spots" | "joined" | "kinds" | "setting_kinds" | "several";
  may_lack?: boolean;
  /** What holds while nothing is chosen. */
  fallback?: string;
}

const key: Column = { key: "key", label: "Key", kind: "text" };
const label: Column = { key: "label", label: "Name", kind: "text" };
const sides: [string, string][] = ["left", "right", "above", "below"].map((s) => [s, s]);
const hands: [string, string][] = ["right", "left"].map((s) => [s, `${s}-hand`]);

export const COLUMNS: Record<Leaf, Column[]> = {
  ...TRAIN_COLUMNS,
  ...PROVE_COLUMNS,
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
    {
      key: "power",
      label: "Power",
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
    key,
    { key: "kind", label: "Kind", kind: "choice", options: "kinds" },
    { key: "shaft", label: "On shaft", kind: "choice", options: "shafts", may_lack: true },
    { key: "number", label: "Number", kind: "text" },
    { key: "count", label: "How many", kind: "number" },
    { key: "teeth", label: "Teeth", kind: "number" },
    { key: "cut", label: "Of those cut, on a sector", kind: "number" },
    { key: "free", label: "Turns free on its shaft until a dog joins it", kind: "yes" },
    { key: "size", label: "Drawn size", kind: "number" },
    { key: "faces", label: "Which way round", kind: "text" },
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
    key,
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
      ],
    },
    { key: "driver", label: "Driver", kind: "choice", options: "parts" },
    { key: "driven", label: "Driven", kind: "choice", options: "parts" },
    {
      key: "toward",
      label: "Driven lies",
      kind: "choice",
      options: [...sides, ["out", "out of the drawing's plane"]],
      fallback: "right",
    },
    { key: "body", label: "Bevel gear's body", kind: "choice", options: sides, fallback: "below" },
    { key: "hand", label: "A worm's thread", kind: "choice", options: hands, may_lack: true },
    { key: "offset", label: "A hypoid pair's axes pass by, mm", kind: "number" },
  ],
  places: [
    label,
    key,
    { key: "at", label: "At", kind: "choice", options: "spots", may_lack: true },
    { key: "shim_form", label: "Shim form (none: no pack)", kind: "text" },
    { key: "closed_by", label: "Closed by", kind: "many", options: "parts" },
    { key: "ways_in", label: "Ways in that stay, with commas", kind: "words" },
  ],
  settings: [
    label,
    key,
    { key: "kind", label: "Kind of setting", kind: "choice", options: "setting_kinds" },
    { key: "place", label: "Place", kind: "choice", options: "places" },
    { key: "gauge", label: "Gauge", kind: "text" },
    { key: "in_service", label: "How far it may wear in service", kind: "text" },
    { key: "service_source", label: "Where that comes from", kind: "text" },
    { key: "rides_on", label: "History goes with", kind: "choice", options: "parts", may_lack: true },
    { key: "rests_on", label: "Also disturbed by moves at", kind: "many", options: "places" },
  ],
  steps: [
    label,
    key,
    { key: "parts", label: "Parts", kind: "many", options: "parts" },
    { key: "counts", label: "How many of", kind: "counts", options: "several" },
    { key: "needs", label: "Needs", kind: "many", options: "steps" },
    { key: "fit", label: "Goes in", kind: "choice", fallback: "final", options: FITS },
    { key: "side", label: "Side", kind: "text" },
    { key: "way_round", label: "Which way round", kind: "text" },
    { key: "wrong_way", label: "What happens the wrong way round", kind: "text" },
    { key: "mark_at", label: "Mark at the hour (12 is up)", kind: "number" },
    { key: "torque", label: "Torque", kind: "text" },
    { key: "stages", label: "Stages before it, with commas", kind: "words" },
    { key: "bolts", label: "Bolts in a circle", kind: "number" },
    { key: "again", label: "Torque checked again", kind: "choice", options: TORQUES_AGAIN, may_lack: true },
    { key: "setting", label: "Sets", kind: "choice", options: "settings", may_lack: true },
    { key: "hold", label: "Hold: what must be seen", kind: "text" },
    { key: "hole", label: "Hole that must line up", kind: "text" },
    { key: "consumables", label: "Takes of the store, with commas", kind: "words" },
    { key: "open_minutes", label: "Sealant is open, minutes", kind: "number" },
    { key: "open_until", label: "Last bolt in step", kind: "choice", options: "steps", may_lack: true },
    { key: "locates", label: "The joint's thickness locates parts", kind: "yes" },
    { key: "closes", label: "Closes besides", kind: "many", options: "places" },
    { key: "takes_out", label: "Takes out again", kind: "many", options: "parts" },
    { key: "wait", label: "Then it waits", kind: "choice", options: WAITS, may_lack: true },
    { key: "wait_minutes", label: "It waits, minutes", kind: "number" },
    {
      key: "alone",
      label: "While it waits",
      kind: "choice",
      options: [
        ["yes", "may be left alone"],
        ["no", "somebody stays"],
      ],
      may_lack: true,
    },
    { key: "resource", label: "Takes", kind: "choice", options: RESOURCES, may_lack: true },
    { key: "tools", label: "Tools, with commas", kind: "words" },
    { key: "lift", label: "Rated point it hangs on", kind: "text" },
    { key: "support", label: "What carries it meanwhile", kind: "text" },
    { key: "minutes", label: "Hands, minutes", kind: "number" },
    { key: "hands", label: "Pairs of hands", kind: "number" },
    { key: "split", label: "May be split over closing time", kind: "yes" },
    { key: "turn", label: "Then turn by hand", kind: "choice", options: "shafts", may_lack: true },
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
  ["steps", "Steps", "New step"],
  ...TRAIN_LEAVES,
  ...PROVE_LEAVES,
];
const fresh: Record<Leaf, Row> = {
  shafts: { line: "level" },
  parts: { kind: "gear" },
  meshes: { kind: "spur", toward: "right" },
  places: { shim_form: "none" },
  settings: { given: {}, limits: [] },
  steps: {},
  ...TRAIN_FRESH,
  ...PROVE_FRESH,
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

/** A step without the counts of parts that it no longer takes. */
export function withItsCounts(row: Row): Row {
  if (!row["counts"]) return row;
  const parts = (row["parts"] ?? []) as string[];
  const kept = Object.entries(row["counts"] as Row).filter(([part]) => parts.includes(part));
  return { ...row, counts: kept.length ? Object.fromEntries(kept) : undefined };
}
