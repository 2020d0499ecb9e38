import type { Knob, State } from "../../api/client";

/** A shim as it is sent: its thickness as the server gave it, or as it was typed. */
export interface Shim {
  send: number | string;
  label: string;
}

/** What is written down of one adjuster before it is sent: its packs, or a position as typed. */
export interface Draft {
  packs: Shim[][];
  text: string;
  /** What was offered as the position: the first digit typed takes its place. */
  offered?: string;
  /** Shims typed beside each pack and not put in yet. */
  typed: string[];
}

const SIDES = ["left", "right"];

export function isPacked(knob: Knob): boolean {
  return knob.domain.type === "packs" || knob.domain.type === "joint_packs";
}

export function sidesOf(knob: Knob): string[] {
  return knob.domain.type === "joint_packs" ? SIDES : [""];
}

export function draftOf(knob: Knob, state: State | null): Draft {
  const packs = sidesOf(knob).map((_, i) =>
    (state?.packs[i] ?? []).map((p) => ({ send: p.thickness, label: p.label })),
  );
  const text = state && !isPacked(knob) ? state.label : "";
  return { packs, typed: packs.map(() => ""), text, offered: text };
}

/** Shims as typed: "0.50 + 10 thou". */
export function shimsIn(text: string): Shim[] {
  const texts = text
    .split("+")
    .map((t) => t.trim())
    .filter(Boolean);
  return texts.map((t) => ({ send: t, label: t }));
}

/** The same with everything that was typed put in. */
export function putIn(draft: Draft): Draft {
  const packs = draft.packs.map((pack, i) => [...pack, ...shimsIn(draft.typed[i] ?? "")]);
  return { ...draft, packs, typed: packs.map(() => "") };
}

/** Whether a pack is left with nothing in it. */
export function isEmpty(knob: Knob, draft: Draft): boolean {
  return isPacked(knob) && draft.packs.some((pack) => !pack.length);
}

/** The draft as the server takes it; undefined while nothing stands in it. */
export function sentOf(knob: Knob, draft: Draft): unknown {
  if (!isPacked(knob)) return draft.text.trim() || undefined;
  const packs = draft.packs.map((pack) => pack.map((shim) => shim.send));
  return knob.domain.type === "joint_packs" ? { left: packs[0], right: packs[1] } : packs[0];
}
