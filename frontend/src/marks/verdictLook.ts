import verdicts from "../styles/verdicts.json";

/** A verdict's mark and paint as the core has them, for page and paper alike. */
export interface VerdictLook {
  posts: number[];
  disc: number | null;
  disc_low: number | null;
  open: boolean;
  bar: boolean;
  dashed: boolean;
  role: string;
}

const looks = verdicts as Record<string, VerdictLook>;

export function lookOf(code: string): VerdictLook {
  return looks[code] ?? verdicts.not_read;
}

const paints: Record<string, string> = {
  wanted: "bg-wanted text-white",
  danger: "bg-danger text-on-danger",
};

/** The classes of a verdict's tag; empty where it stands in ink alone. */
export function paintOf(code: string): string {
  return paints[lookOf(code).role] ?? "";
}
