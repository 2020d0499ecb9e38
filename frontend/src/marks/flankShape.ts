export const FLANK = { width: 420, height: 150, rows: 12, columns: 24, taper: 0.22 };

/** Flank shares (x toe to heel, y root to tip) on the tapered outline, tip up. */
export function flankPoint(x: number, y: number): [number, number] {
  const half = (FLANK.height / 2) * (1 - FLANK.taper * (1 - x));
  return [FLANK.width * x, FLANK.height / 2 - (2 * y - 1) * half];
}

/** The four corners of a cell as an SVG path. */
export function cellPath(row: number, column: number): string {
  const [x0, x1] = [column / FLANK.columns, (column + 1) / FLANK.columns];
  const [y0, y1] = [row / FLANK.rows, (row + 1) / FLANK.rows];
  const corners: [number, number][] = [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ];
  return `M${corners.map(([x, y]) => flankPoint(x, y).join(" ")).join("L")}Z`;
}

/** Which cell lies under a point of the drawing; null beside the flank. */
export function cellAt(px: number, py: number): [number, number] | null {
  const x = px / FLANK.width;
  const half = (FLANK.height / 2) * (1 - FLANK.taper * (1 - x));
  const y = ((FLANK.height / 2 - py) / half + 1) / 2;
  if (x < 0 || x >= 1 || y < 0 || y >= 1) return null;
  return [Math.floor(y * FLANK.rows), Math.floor(x * FLANK.columns)];
}

export const outline = `M${(
  [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ] as const
)
  .map(([x, y]) => flankPoint(x, y).join(" "))
  .join("L")}Z`;

/** A flank with nothing painted on it. */
export function bareFlank(): number[][] {
  return Array.from({ length: FLANK.rows }, () => Array.from({ length: FLANK.columns }, () => 0));
}
