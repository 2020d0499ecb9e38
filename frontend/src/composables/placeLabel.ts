import type { Readout } from "../api/client";
import type { Scale } from "./useScale";

const ROOM = 160;
const LETTER = 10.5;

export interface LabelPlace {
  x: number;
  anchor: "start" | "middle" | "end";
  /** Its limits alone: there is no room for the word before them. */
  bare?: boolean;
  /** Neither side of the needle's bar is free: above it. */
  raised?: boolean;
}

/** Where the window's words stand: over its middle, or beside the needle's bar when that is in the way. */
export function placeWindowLabel(scene: Readout, x: Scale): LabelPlace {
  const { window: band, needle } = scene;
  if (!band) return { x: 0, anchor: "middle" };
  const half = (58 + LETTER * band.label.length) / 2;
  const end = x(scene.hi) + 12;
  const middle = Math.min(Math.max((x(band.lo) + x(band.hi)) / 2, half), Math.max(end - half, half));
  if (!needle) return { x: middle, anchor: "middle" };
  const left = x(needle.at - needle.give) - 10;
  const right = x(needle.at + needle.give) + 10;
  if (right < middle - ROOM / 2 || left > middle + ROOM / 2) return { x: middle, anchor: "middle" };
  const onLeft: LabelPlace = { x: left, anchor: "end" };
  const onRight: LabelPlace = { x: right, anchor: "start" };
  const fits = { left: left > ROOM, right: right + ROOM < x(scene.hi) + 12 };
  if (x(needle.at) >= middle && fits.left) return onLeft;
  if (fits.right) return onRight;
  if (fits.left) return onLeft;
  const limits = LETTER * band.label.length;
  if (right + limits < x(scene.hi) + 12) return { ...onRight, bare: true };
  return left > limits
    ? { ...onLeft, bare: true }
    : { x: x(scene.hi), anchor: "end", bare: true, raised: true };
}
