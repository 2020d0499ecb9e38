import type { Cell, SettingView } from "../../api/client";
import type { Kept } from "../../api/kept/db";

const JUDGED_LATER = [
  { text: "Kept here. ", move: false },
  { text: "Judged when the yard answers.", move: false },
];

/** A setting as it was last seen, with what was done at it since and is kept here: stations of the round in hand go on,
 * nothing is judged. After a kept move the same stations are read anew. */
export function withKept(view: SettingView, kept: Kept[]): SettingView {
  const mine = kept.filter((k) => k.state === "waits" && k.target === `settings/${view.id}`);
  if (!mine.length) return view;
  let { cells, round } = view.sheet;
  let moved = false;
  for (const item of mine) {
    if (typeof item.body !== "string") continue;
    const said = JSON.parse(item.body) as { slot?: string; text?: string; value?: unknown; taken?: string };
    if (said.slot === undefined) {
      moved = true;
      round += 1;
      cells = cells.map((c) => ({ ...c, entries: [], shown: "", status: "open", blocked: "" }));
    } else cells = cells.map((c) => (c.slot === said.slot ? taken(c, said, item, round) : c));
  }
  const next = cells.find((c) => !c.entries.length && !c.blocked && !c.optional)?.slot ?? null;
  return {
    ...view,
    sheet: {
      ...view.sheet,
      cells,
      round,
      next,
      state_known: view.sheet.state_known || moved,
      surprise: moved ? null : view.sheet.surprise,
      move: null,
      aside_head: "",
      aside: "",
      /** What was drawn is of the round before the move. */
      scenes: moved ? [] : view.sheet.scenes,
      say: next === null || moved ? JUDGED_LATER : view.sheet.say,
      sign_blockers: ["What is kept here was not judged yet: sign when the yard answers."],
    },
  };
}

function taken(
  cell: Cell,
  said: { text?: string; value?: unknown; taken?: string },
  item: Kept,
  round: number,
): Cell {
  const shown =
    said.text ?? (said.value === undefined ? "by the gauge" : said.value === true ? "done" : "kept");
  const entry = {
    ...(cell.entries[0] ?? ({} as Cell["entries"][number])),
    id: item.key,
    slot: cell.slot,
    as_typed: shown,
    round,
    seq: Number.MAX_SAFE_INTEGER,
  };
  return { ...cell, entries: [entry], shown, status: "taken" };
}
