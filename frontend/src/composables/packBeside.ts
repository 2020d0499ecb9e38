const LETTER = 7.5;

/** What is in stands beside the round's name where it fits before the strip, else beneath it. */
export const packBeside = (pack: string, gutter: number) => pack.length * LETTER < gutter - 66;

/** How far what is in reaches into the room between two rounds: nowhere where it stands beside the name. */
export const packEnd = (pack: string, gutter: number) =>
  packBeside(pack, gutter) ? 0 : pack.length * LETTER + 10;
