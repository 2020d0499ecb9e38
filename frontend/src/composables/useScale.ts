/** Where a number stands along a strip `from` px to `to` px: all the arithmetic a drawing does. */
export interface Scale {
  (at: number): number;
  inside(at: number): boolean;
}

export function makeScale(lo: number, hi: number, from: number, to: number): Scale {
  const span = hi - lo || 1;
  const scale = ((at: number) => {
    const share = Math.min(1, Math.max(0, (at - lo) / span));
    return from + share * Math.max(to - from, 0);
  }) as Scale;
  scale.inside = (at) => at >= lo && at <= hi;
  return scale;
}
