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
  return { packs, text: state && !isPacked(knob) ? state.label : "" };
}

/** The draft as the server takes it; undefined while nothing stands in it. */
export function sentOf(knob: Knob, draft: Draft): unknown {
  if (!isPacked(knob)) return draft.text.trim() || undefined;
  const packs = draft.packs.map((pack) => pack.map((shim) => shim.send));
  return knob.domain.type === "joint_packs" ? { left: packs[0], right: packs[1] } : packs[0];
}
