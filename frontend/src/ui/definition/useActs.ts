import type { Ref } from "vue";
import { api, unwrap } from "../../api/client";
import type { useSending } from "../../composables/useSending";
import { LEAVES, type Column, type Definition, type Leaf, type Row } from "./columns";
import {
  addPart,
  addRow,
  asMeshed,
  findRow,
  labelOf,
  moveAlong,
  putBefore,
  putRow,
  putRows,
  rowsOf,
} from "./rows";
import type { Offer } from "./offers";
import type { Hand, Held } from "./useHand";

type Sending = ReturnType<typeof useSending>;

/** What can be done to a definition with what is in hand. */
export function useActs(definition: Ref<Definition>, hand: Hand, sending: Sending) {
  function set(made: [Definition, string], leaf: Leaf) {
    definition.value = made[0];
    hand.take(leaf, made[1]);
  }
  const freshName = (leaf: Leaf) => LEAVES.find(([key]) => key === leaf)?.[2] ?? "New";
  const add = (leaf: Leaf, name = freshName(leaf), row: Row = {}) =>
    set(addRow(definition.value, leaf, name, row), leaf);
  function addPartHere(name: string, row: Row) {
    set(addPart(definition.value, hand.shaft.value, name, row, hand.part.value), "parts");
  }
  /** A row about what is in hand; a setting is at a place, which is made where there is none. */
  function make(offer: Offer) {
    const about = hand.held.value?.key ?? "";
    let made = definition.value;
    let row = offer.row;
    if (offer.leaf === "settings" && !row["place"]) {
      let place = String(rowsOf(made, "places").find((p) => p["at"] === about)?.["key"] ?? "");
      if (!place) [made, place] = addRow(made, "places", labelOf(hand.row.value), { at: about });
      row = { ...row, place };
    }
    set(addRow(made, offer.leaf, offer.name, row), offer.leaf);
    hand.picking.value = offer.pick ?? null;
  }
  function moveRow(leaf: Leaf, n: number, by: -1 | 1) {
    const next = [...rowsOf(definition.value, leaf)];
    const [row] = next.splice(n, 1);
    if (row) next.splice(n + by, 0, row);
    definition.value = putRows(definition.value, leaf, next);
  }
  /** What the yard works out, on the definition as it stands then: should something be typed meanwhile it asks again. */
  async function edit(doing: "take_out" | "mirror") {
    const held = hand.held.value;
    if (!held) return;
    const done = await sending.send(async () => {
      for (;;) {
        const sent = definition.value;
        const body = { definition: sent, do: doing, leaf: held.leaf, key: held.key };
        const made = (await unwrap(api.POST("/api/definitions/edits", { body }))) as Definition;
        if (definition.value !== sent) continue;
        definition.value = made;
        break;
      }
    });
    if (!done) return;
    if (doing === "mirror") hand.take("shafts", String(rowsOf(definition.value, "shafts").at(-1)?.["key"]));
    else if (!findRow(definition.value, held.leaf, held.key)) hand.list(held.leaf);
  }
  /** A row as it was changed. */
  function put(held: Held, before: Row, row: Row) {
    const made = held.leaf === "meshes" ? asMeshed(definition.value, before, row) : row;
    definition.value = putRow(definition.value, held.leaf, held.key, made);
  }
  /** A part tapped while a field waits for one: set there, or put in and out of its list. */
  function pickPart(key: string, column: Column | undefined, options: [string, string][]): boolean {
    const field = hand.picking.value;
    const held = hand.held.value;
    const row = hand.row.value;
    if (!field || !held || !row || !column) return false;
    if (!options.some(([one]) => one === key)) {
      hand.refused.value = key;
      return true;
    }
    hand.refused.value = "";
    if (column.kind === "many") {
      const now = (row[field] ?? []) as string[];
      const next = now.includes(key) ? now.filter((k) => k !== key) : [...now, key];
      definition.value = putRow(definition.value, held.leaf, held.key, { ...row, [field]: next });
    } else {
      put(held, row, { ...row, [field]: key });
      hand.picking.value = null;
    }
    return true;
  }
  const drop = (part: string, shaft: string, before: string | null) => {
    definition.value = putBefore(definition.value, part, shaft, before);
    hand.take("parts", part);
  };
  function takeParts(rows: Row[]) {
    let made = definition.value;
    for (const row of rows) {
      const there = row["key"] ? findRow(made, "parts", String(row["key"])) : undefined;
      if (there) made = putRow(made, "parts", String(row["key"]), { ...there, ...row });
      else [made] = addRow(made, "parts", String(row["label"]), { ...row });
    }
    definition.value = made;
    hand.list("parts");
  }
  return {
    add,
    make,
    addPart: addPartHere,
    moveRow,
    moveAlong: (by: -1 | 1) => (definition.value = moveAlong(definition.value, hand.part.value, by)),
    edit,
    put,
    pickPart,
    drop,
    takeParts,
  };
}
export type Acts = ReturnType<typeof useActs>;
