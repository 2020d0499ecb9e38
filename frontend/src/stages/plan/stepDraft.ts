import type { BuildStep } from "../../api/client";
import { RESOURCES, WAITS, type Pairs } from "../../ui/stepWords";
import { typedNumber } from "../../ui/typedNumber";

/** With the word for none on top. */
export const NO_WAIT: Pairs = [["", "for nothing"], ...WAITS];
export const NO_RESOURCE: Pairs = [["", "hands alone"], ...RESOURCES];

/** A step as it is typed: numbers and lists are texts until it is sent. */
export const TEXTS = [
  ["side", "Side"],
  ["way_round", "Which way round"],
  ["wrong_way", "What happens the wrong way round"],
  ["torque", "Torque, N·m or as spoken"],
  ["stages", "Stages before it, with commas"],
  ["consumables", "Takes of the store, with commas"],
  ["tools", "Tools, with commas"],
  ["hole", "Hole that must line up"],
  ["hold", "Hold: what must be seen"],
  ["lift", "Rated point it hangs on"],
  ["support", "What carries it meanwhile"],
] as const;
export const NUMBERS = [
  ["bolts", "Bolts in a circle"],
  ["mark_at", "Mark at the hour (12 is up)"],
  ["open_minutes", "Sealant is open, minutes"],
  ["wait_minutes", "It waits, minutes"],
  ["minutes", "Hands, minutes"],
  ["hands", "Pairs of hands"],
] as const;
type Text = (typeof TEXTS)[number][0] | (typeof NUMBERS)[number][0];
export type StepDraft = Record<Text, string> & {
  label: string;
  after: string;
  parts: string[];
  /** How many of a part, where not all of them. */
  counts: Record<string, string>;
  needs: string[];
  takes_out: string[];
  fit: string;
  wait: string;
  resource: string;
  locates: boolean;
  split: boolean;
};
const LISTS = ["stages", "consumables", "tools"];
const spell = (value: unknown): string =>
  Array.isArray(value) ? value.join(", ") : value ? String(value as string | number) : "";
const list = (text: string) =>
  text
    .split(/[,;]/)
    .map((x) => x.trim())
    .filter(Boolean);

export function draftOf(step: BuildStep | undefined, after: string): StepDraft {
  const texts = Object.fromEntries([...TEXTS, ...NUMBERS].map(([key]) => [key, spell(step?.[key])]));
  return {
    ...(texts as Record<Text, string>),
    label: step?.label ?? "",
    after,
    parts: [...(step?.parts ?? [])],
    counts: Object.fromEntries(Object.entries(step?.counts ?? {}).map(([key, n]) => [key, String(n)])),
    needs: [...(step?.needs ?? [])],
    takes_out: [...(step?.takes_out ?? [])],
    fit: step?.fit ?? "final",
    wait: step?.wait ?? "",
    resource: step?.resource ?? "",
    locates: step?.locates ?? false,
    split: step?.split ?? false,
  };
}

/** What is sent; what the form does not ask stays as it was. */
export function stepOf(draft: StepDraft, was?: BuildStep): BuildStep {
  const texts = TEXTS.map(([key]) => [key, LISTS.includes(key) ? list(draft[key]) : draft[key].trim()]);
  const numbers = NUMBERS.map(([key]) => [key, typedNumber(draft[key], key === "hands" ? 1 : 0)]);
  const typed: Record<string, unknown> = { ...draft, ...Object.fromEntries([...texts, ...numbers]) };
  delete typed["after"];
  const step = { ...was, ...typed } as unknown as BuildStep;
  const counts = Object.entries(draft.counts)
    .map(([key, text]) => [key, typedNumber(text, null)] as const)
    .filter(([key, n]) => n !== null && draft.parts.includes(key));
  return { ...step, counts: Object.fromEntries(counts) as Record<string, number> };
}

/** A key from the name, still free. */
export function keyFor(label: string, taken: string[]): string {
  const base =
    label
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 32) || "step";
  let key = base;
  for (let n = 2; taken.includes(key); n++) key = `${base}-${n}`;
  return key;
}
