import { useKeys } from "../../composables/useKeys";
import type { SetPageState } from "./useSetPage";

export const SET_KEYS: [string, string][] = [
  ["0-9", "type a reading; a unit may follow: 8 thou, .008 in"],
  ["Enter", "take it and go on, or do the main thing"],
  ["=", "open or close the sum"],
  ["m", "write down the move"],
  ["d", "done: writes down the move, or signs, when that is open"],
  ["c", "correct the last reading"],
  ["r", "re-seat and read again"],
  ["Space", "take what a gauge that talks shows, or mark the zero; the watch at a station that takes a time"],
  ["w", "what if: other packs, shown ahead (a bevel pair)"],
  ["g", "what is given"],
  ["s", "sign"],
  ["a", "all cautions"],
  ["t", "light, dark or as the system"],
  ["b", "back to the board"],
  ["Esc", "close what is open, or clear what is typed"],
  ["?", "these keys"],
];

/** At a rig. */
export const RIG_KEYS: [string, string][] = [
  ["↓ ↑", "pull the pry bar harder, or less"],
  ["Space", "the gauge takes the pull, trace and all; or read it and type"],
  ["l", "look at what may be wrong; ↓ ↑ and Enter look there"],
  ["w", "what would you do? shows the advice, costs a teardown"],
  ...SET_KEYS.filter(([key]) => !["Space", "w", "b"].includes(key)),
  ["b", "back to the rigs"],
];

/** What the keys do at every setting. */
export function settingKeys(page: SetPageState): Record<string, () => unknown> {
  return {
    Enter: () => ["log", "working"].includes(page.panel) && page.main?.run(),
    Escape: page.close,
    "=": page.toggle("working"),
    m: page.openMove,
    c: page.correctLast,
    r: page.reseat,
    g: page.toggle("given"),
    s: page.toggle("sign"),
  };
}

/** Letters are shortcuts only while nothing is typed: "8 thou" must reach the cell. `stray`: says whether a key is
 * part of a number that no station takes. What answers false has not used its key. */
export function useSetKeys(run: Record<string, () => unknown>, stray: (key: string) => boolean): void {
  useKeys((event, typing) => {
    if (stray(event.key)) return true;
    const shortcut = event.key.length > 1 || !typing ? run[event.key] : undefined;
    if (!shortcut || event.repeat) return false;
    return shortcut() !== false;
  });
}
