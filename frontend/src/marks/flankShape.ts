export const FLANK = { width: 420, height: 150, rows: 12, columns: 24, taper: 0.22 };

/** Flank shares (x toe to heel, y root to tip) on the tapered outline, tip up. */
export function flankPoint(x: number, y: number, taper = FLANK.taper): [number, number] {
  const half = (FLANK.height / 2) * (1 - taper * (1 - x));
  return [FLANK.width * x, FLANK.height / 2 - (2 * y - 1) * half];
}

/** A closed way through flank shares, as an SVG path. */
export function flankPath(points: readonly (readonly number[])[], taper = FLANK.taper): string {
  return points.length
    ? `M${points.map(([x, y]) => flankPoint(x ?? 0, y ?? 0, taper).join(" ")).join("L")}Z`
    : "";
}

/** The four corners of a cell as an SVG path. */
export function cellPath(row: number, column: number, taper = FLANK.taper): string {
  const [x0, x1] = [column / FLANK.columns, (column + 1) / FLANK.columns];
  const [y0, y1] = [row / FLANK.rows, (row + 1) / FLANK.rows];
  return flankPath(
    [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ],
    taper,
  );
}

/** Which cell lies under a point of the drawing; null beside the flank. */
export function cellAt(px: number, py: number, taper = FLANK.taper): [number, number] | null {
  const x = px / FLANK.width;
  const half = (FLANK.height / 2) * (1 - taper * (1 - x));
  const y = ((FLANK.height / 2 - py) / half + 1) / 2;
  if (x < 0 || x >= 1 || y < 0 || y >= 1) return null;
  return [Math.floor(y * FLANK.rows), Math.floor(x * FLANK.columns)];
}

export const flankOutline = (taper = FLANK.taper) =>
  flankPath(
    [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ],
    taper,
  );

/** A flank with nothing painted on it. */
export function bareFlank(): number[][] {
  return Array.from({ length: FLANK.rows }, () => Array.from({ length: FLANK.columns }, () => 0));
}

/** A flank painted in the cells in which these points lie. */
export function maskOf(points: readonly (readonly number[])[]): number[][] {
  const mask = bareFlank();
  for (const [x, y] of points) {
    const row = mask[Math.floor((y ?? 0) * FLANK.rows)];
    if (row) row[Math.floor((x ?? 0) * FLANK.columns)] = 1;
  }
  return mask;
}
