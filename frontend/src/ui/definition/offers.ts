import type { Definition, Leaf, Row } from "./columns";
import type { Held } from "./useHand";
import { findRow, labelOf } from "./rows";

/** A row that can be made about what is in hand. `pick`: its field that is then tapped on the drawing. */
export interface Offer {
  leaf: Leaf;
  words: string;
  name: string;
  row: Row;
  pick?: string;
}

/** What can be made about the row in hand, the likeliest first. */
export function offersFor(d: Definition, held: Held, row: Row, isGear: boolean): Offer[] {
  const key = held.key;
  const label = labelOf(row) || "it";
  const place: Offer = { leaf: "places", words: "Place here", name: label, row: { at: key } };
  const setting: Offer = { leaf: "settings", words: "Setting here", name: `${label}, setting`, row: {} };
  const look: Offer = {
    leaf: "prove",
    words: "Point of the last look",
    name: `${label} looked at`,
    row: { words: label },
  };
  if (held.leaf === "places") return [{ ...setting, row: { place: key } }, look];
  if (held.leaf === "levers")
    return [
      {
        leaf: "interlocks",
        words: "Interlock with another",
        name: `Interlock of ${label}`,
        row: { one: key },
      },
    ];
  if (held.leaf === "meshes")
    return [
      { leaf: "timing", words: "Timing mark here", name: `Mark of ${label}`, row: { mesh: key } },
      place,
      setting,
    ];
  if (held.leaf !== "parts") return [];
  const kind = String(row["kind"]);
  const own: Offer[] = [];
  if (kind === "planet_carrier")
    own.push({
      leaf: "shafts",
      words: "Planet pins on it",
      name: "Planet pins",
      row: { pins: key, line: lineOf(d, row) },
    });
  if (isGear)
    own.push({
      leaf: "meshes",
      words: "Mesh with another",
      name: `Mesh of ${label}`,
      row: { driver: key, ...(kind === "ring_gear" ? { kind: "internal" } : {}) },
      pick: "driven",
    });
  if (kind === "dog")
    own.push({ leaf: "levers", words: "Lever that moves it", name: `Lever of ${label}`, row: { dog: key } });
  if (kind === "cover")
    own.push({ leaf: "covers", words: "It is eccentric", name: label, row: { part: key }, pick: "mesh" });
  return [
    ...own,
    place,
    setting,
    { leaf: "steps", words: "Step with it", name: `${label} on`, row: { parts: [key] }, pick: "parts" },
    look,
  ];
}

function lineOf(d: Definition, part: Row): string {
  return String(findRow(d, "shafts", String(part["shaft"] ?? ""))?.["line"] ?? "level");
}
