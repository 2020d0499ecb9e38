/** Figures under a scale: all of them, or every second, third … where they would run into one another. */
export function everyOther<T extends { x: number; label: string }>(figures: T[]): T[] {
  const apart = Math.min(...figures.slice(1).map((f, i) => f.x - (figures[i]?.x ?? 0)));
  const room = 9 * Math.max(0, ...figures.map((f) => f.label.length)) + 6;
  const step = Math.max(1, Math.ceil(room / apart));
  return figures.filter((_, i) => i % step === 0);
}
