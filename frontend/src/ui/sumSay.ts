import type { Span, SumView } from "../api/client";

const NAMED = 3;

/** The sentence of a sum, or what is still to be said before there is one. */
export function sayOf(view: SumView): Span[] {
  if (view.answer) return view.answer.say;
  const more = view.missing.length - NAMED;
  const words = view.missing.slice(0, NAMED).join(", ") + (more > 0 ? ` and ${more} more` : "");
  return [{ text: words ? `Still to say: ${words}.` : "Mend what is marked below.", move: false }];
}
