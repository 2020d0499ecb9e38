/** Rings by flank, as x, y in thousandths one after the other. */
export type Rings = number[][];

/** Which two marks lie about a place, and how far between them. */
function between(marks: readonly number[], at: number): [number, number, number] {
  const next = marks.findIndex((m) => m >= at - 1e-9);
  const j = next < 0 ? marks.length - 1 : next;
  const i = Math.max(0, j - 1);
  const span = (marks[j] ?? 0) - (marks[i] ?? 0);
  return [i, j, span > 0 ? Math.min(Math.max((at - (marks[i] ?? 0)) / span, 0), 1) : 0];
}

/** The rings between the four pictures that lie about a place; null until they are there. */
export function blend(
  rows: readonly (readonly Rings[] | undefined)[],
  first: readonly number[],
  second: readonly number[],
  p: number,
  q: number,
): Rings | null {
  const [i, j, u] = between(first, p);
  const [k, l, v] = between(second, q);
  const corners = [
    { rings: rows[i]?.[k], w: (1 - u) * (1 - v) },
    { rings: rows[j]?.[k], w: u * (1 - v) },
    { rings: rows[i]?.[l], w: (1 - u) * v },
    { rings: rows[j]?.[l], w: u * v },
  ].filter((c) => c.w > 0);
  if (!corners.length || corners.some((c) => !c.rings)) return null;
  const flanks = corners[0]?.rings?.length ?? 0;
  return Array.from({ length: flanks }, (_, f) => {
    const whole = corners.every((c) => c.rings?.[f]?.length);
    if (!whole) return [];
    return (corners[0]?.rings?.[f] ?? []).map((_, n) =>
      corners.reduce((sum, c) => sum + c.w * (c.rings?.[f]?.[n] ?? 0), 0),
    );
  });
}
