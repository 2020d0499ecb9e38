import type { Column, Row } from "./columns";

const label: Column = { key: "label", label: "Name", kind: "text" };

/** Lubricants, points of the type's own and stages of run-in, as they are asked for. */
export const PROVE_COLUMNS = {
  lubricant: [
    label,
    { key: "what", label: "Which oil or grease", kind: "text" },
    { key: "amount", label: "How much", kind: "text" },
    { key: "level", label: "Up to where", kind: "text" },
    { key: "change_hours", label: "Changed after hours of running", kind: "number" },
  ],
  prove: [
    label,
    { key: "words", label: "What is looked at", kind: "text" },
    {
      key: "when",
      label: "When",
      kind: "choice",
      fallback: "closed",
      options: [
        ["closed", "before it is closed"],
        ["running", "while it runs"],
        ["after", "after run-in"],
      ],
    },
    { key: "must", label: "Nobody releases over it", kind: "yes" },
    { key: "photo", label: "Shown in a photo", kind: "yes" },
    { key: "due_days", label: "Due, days after release", kind: "number" },
  ],
  run_in: [
    label,
    { key: "words", label: "Speed or load", kind: "text" },
    { key: "minutes", label: "Minutes", kind: "number" },
    { key: "limit", label: "Greatest temperature of a bearing", kind: "text" },
    { key: "source", label: "Where the limit comes from", kind: "text" },
  ],
} satisfies Record<string, Column[]>;

export const LOCKS: [string, string][] = [
  ["fold", "washer folded over"],
  ["stake", "nut staked"],
  ["wire", "wired"],
  ["tab", "tab bent up"],
  ["pin", "split pin"],
  ["ring", "snap ring"],
  ["compound", "locking compound"],
];

export const TORQUES_AGAIN: [string, string][] = [
  ["closing", "before it is closed"],
  ["cold", "after run-in, cold"],
  ["hot", "after run-in, while it is hot"],
];

export const PROVE_LEAVES: ["lubricant" | "prove" | "run_in", string, string][] = [
  ["lubricant", "Oil and grease", "New lubricant"],
  ["prove", "Last look", "New point"],
  ["run_in", "Run-in", "New stage"],
];

export const PROVE_FRESH: Record<"lubricant" | "prove" | "run_in", Row> = {
  lubricant: { what: "oil" },
  prove: { when: "closed" },
  run_in: { words: "", minutes: 30, limit: "80 °C", source: "" },
};
