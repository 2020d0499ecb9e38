/** Words for what a step of the build can be, the same wherever it is written. */
export type Pairs = [string, string][];
export const FITS: Pairs = [
  ["final", "for good"],
  ["dry", "dry, it comes off again"],
  ["temporary", "only to help, it comes out again"],
];
export const WAITS: Pairs = [
  ["soak", "soaks"],
  ["cure", "cures"],
  ["heat", "heats"],
  ["chill", "cools down"],
  ["settle", "settles"],
  ["lead", "is on its way"],
];
export const RESOURCES: Pairs = [
  ["press", "the press"],
  ["crane", "the crane"],
  ["oven", "the oven"],
  ["freezer", "the freezer"],
  ["ram", "the ram"],
];
