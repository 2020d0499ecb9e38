import type { Column, Row } from "./columns";

const label: Column = { key: "label", label: "Name", kind: "text" };

/** Levers, interlocks, timing marks and eccentric covers, as they are asked for. */
export const TRAIN_COLUMNS = {
  levers: [label, { key: "dog", label: "Moves", kind: "choice", options: "parts" }],
  interlocks: [
    label,
    { key: "one", label: "While this lever is in gear", kind: "choice", options: "levers" },
    { key: "other", label: "this one must not go", kind: "choice", options: "levers" },
  ],
  timing: [
    label,
    { key: "mesh", label: "Mesh", kind: "choice", options: "meshes" },
    {
      key: "tooth_on",
      label: "The tooth is on the",
      kind: "choice",
      fallback: "driven",
      options: [
        ["driven", "driven gear"],
        ["driver", "driver"],
      ],
    },
    { key: "tooth", label: "This tooth, from that gear's own mark", kind: "number" },
    { key: "space", label: "In the space behind tooth, clockwise", kind: "number" },
    { key: "where", label: "How the mark is found", kind: "text" },
  ],
  covers: [
    label,
    { key: "part", label: "Cover", kind: "choice", options: "parts" },
    { key: "mesh", label: "Sets the mesh", kind: "choice", options: "meshes" },
    { key: "holes", label: "Bolt holes", kind: "number" },
    { key: "throw", label: "Throw, mm", kind: "number" },
    { key: "angle", label: "Throw points, degrees from square to the line of centres", kind: "number" },
    {
      key: "half",
      label: "Half a hole besides",
      kind: "choice",
      options: [
        ["turned over", "by turning it over"],
        ["other side", "with the other side's cover"],
      ],
      may_lack: true,
    },
  ],
} satisfies Record<string, Column[]>;

export const POSITION: Column[] = [
  label,
  { key: "joins", label: "Joins; nothing: neutral", kind: "many", options: "joined" },
  { key: "back", label: "Turns the output backward", kind: "yes" },
];

export const TRAIN_LEAVES: ["levers" | "interlocks" | "timing" | "covers", string, string][] = [
  ["levers", "Levers", "New lever"],
  ["interlocks", "Interlocks", "New interlock"],
  ["timing", "Timing marks", "New timing mark"],
  ["covers", "Eccentric covers", "New cover"],
];

export const TRAIN_FRESH: Record<"levers" | "interlocks" | "timing" | "covers", Row> = {
  levers: { positions: [{ key: "neutral", label: "neutral" }] },
  interlocks: {},
  timing: { tooth: 1, space: 1 },
  covers: { holes: 6, throw: 1 },
};
