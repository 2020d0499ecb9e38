import { freshRow, LEAVES, type Definition, type Leaf, type Row } from "./columns";

/** Edits of a definition's rows: each gives a new definition, nothing else changes. */
export const rowsOf = (d: Definition, leaf: Leaf): Row[] =>
  Array.isArray(d[leaf]) ? (d[leaf] as Row[]) : [];
export const labelOf = (row: Row | undefined): string => String(row?.["label"] ?? "").trim();
export const findRow = (d: Definition, leaf: Leaf, key: string): Row | undefined =>
  rowsOf(d, leaf).find((r) => r["key"] === key);
export const putRows = (d: Definition, leaf: Leaf, rows: Row[]): Definition => ({ ...d, [leaf]: rows });
/** A mesh whose gears were just chosen takes its kind from theirs, and its name while it still has none of its own. */
export function asMeshed(d: Definition, before: Row, row: Row): Row {
  if (row["driver"] === before["driver"] && row["driven"] === before["driven"]) return row;
  const ends = [row["driver"], row["driven"]].map((key) => findRow(d, "parts", String(key ?? "")));
  const [a, b] = ends;
  if (!a || !b) return row;
  const has = (word: string) => ends.some((end) => String(end?.["kind"]).startsWith(word));
  const kind = has("ring_gear") ? "internal" : has("worm") ? "worm" : has("bevel") ? "bevel" : "spur";
  const upright = findRow(d, "shafts", String(a["shaft"]))?.["line"] === "upright";
  const unnamed = labelOf(row).startsWith("Mesh of ") || labelOf(row).startsWith("New mesh");
  return {
    ...row,
    kind: row["kind"] === "spur" || !row["kind"] ? kind : row["kind"],
    toward: row["toward"] ?? (kind === "spur" && upright ? "right" : "below"),
    ...(unnamed ? { label: `${labelOf(a)} and ${labelOf(b)}` } : {}),
  };
}
export const putRow = (d: Definition, leaf: Leaf, key: string, row: Row): Definition =>
  putRows(
    d,
    leaf,
    rowsOf(d, leaf).map((r) => (r["key"] === key ? row : r)),
  );

/** A passing key: the yard makes the lasting one from the name when it is saved. */
export function passingKey(d: Definition): string {
  const inner = LEAVES.flatMap(([leaf]) => rowsOf(d, leaf)).flatMap((r) => [
    r,
    ...((r["positions"] ?? []) as Row[]),
  ]);
  const used = inner.map((r) => /^new-(\d+)$/.exec(String(r["key"]))?.[1]).filter(Boolean);
  return `new-${1 + Math.max(0, ...used.map(Number))}`;
}

/** A name that no row of the leaf has yet. */
export function freeName(d: Definition, leaf: Leaf, name: string): string {
  const taken = new Set(rowsOf(d, leaf).map(labelOf));
  let found = name;
  for (let n = 2; taken.has(found); n++) found = `${name} ${n}`;
  return found;
}

export function addRow(d: Definition, leaf: Leaf, name: string, row: Row = {}): [Definition, string] {
  const key = passingKey(d);
  const made = { key, label: freeName(d, leaf, name), ...freshRow(leaf), ...row };
  return [putRows(d, leaf, [...rowsOf(d, leaf), made]), key];
}

/** The parts of a shaft in their order, the shaft itself left out. */
export const onShaft = (d: Definition, shaft: string): Row[] =>
  rowsOf(d, "parts").filter((p) => p["shaft"] === shaft && p["kind"] !== "shaft");

/** A new part on a shaft, behind another of it or at its end. */
export function addPart(
  d: Definition,
  shaft: string,
  name: string,
  row: Row,
  after = "",
): [Definition, string] {
  const [added, key] = addRow(d, "parts", name, { ...row, shaft });
  const row_ = onShaft(d, shaft);
  const at = row_.findIndex((p) => p["key"] === after);
  const before = at >= 0 ? row_[at + 1] : undefined;
  return [before ? putBefore(added, key, shaft, String(before["key"])) : added, key];
}

/** A part put on a shaft before another of its parts, or at its end. */
export function putBefore(d: Definition, part: string, shaft: string, before: string | null): Definition {
  const rows = rowsOf(d, "parts");
  const moved = rows.find((r) => r["key"] === part);
  if (!moved || part === before) return d;
  const rest = rows.filter((r) => r !== moved);
  const own = rest.filter((r) => r["shaft"] === shaft && r["kind"] !== "shaft");
  const last = own.at(-1);
  const at = before
    ? rest.findIndex((r) => r["key"] === before)
    : last
      ? rest.indexOf(last) + 1
      : rest.length;
  rest.splice(at, 0, { ...moved, shaft });
  return putRows(d, "parts", rest);
}

/** One place along its shaft, towards its left or top end or away from it. */
export function moveAlong(d: Definition, part: string, by: -1 | 1): Definition {
  const shaft = String(findRow(d, "parts", part)?.["shaft"] ?? "");
  const row = onShaft(d, shaft);
  const at = row.findIndex((p) => p["key"] === part);
  if (at < 0 || at + by < 0 || at + by >= row.length) return d;
  const before = by < 0 ? row[at - 1] : row[at + 2];
  return putBefore(d, part, shaft, before ? String(before["key"]) : null);
}
