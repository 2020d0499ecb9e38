import { reactive } from "vue";

/** How it stands with the yard, for the whole page: whether it answers, as of when what is shown was seen, how far this
 * clock is ahead of the yard's [ms], and what this browser cannot keep. */
export const link = reactive({
  lost: false,
  asOf: 0,
  ahead: 0,
  keepsNothing: "",
});

/** A clock so far off is said [ms]. */
export const CLOCK_OFF = 120_000;

export function heard(answer: Response): void {
  link.lost = false;
  link.asOf = 0;
  const date = Date.parse(answer.headers.get("Date") ?? "");
  if (Number.isFinite(date)) link.ahead = Date.now() - date;
}
