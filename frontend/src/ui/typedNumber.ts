/**
 * A number as it was typed, with a point or a comma; `empty` where nothing was. What is no number stays as it was
 * typed, so that it is refused in words and never silently taken for another.
 */
export function typedNumber<E>(typed: string, empty: E): number | E {
  const text = typed.trim();
  if (text === "") return empty;
  const n = Number(text.replace(",", "."));
  return Number.isNaN(n) ? (text as unknown as number) : n;
}
