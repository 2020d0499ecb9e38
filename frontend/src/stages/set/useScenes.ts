import { computed } from "vue";
import type { Scene } from "../../api/client";
import type { SetPageState } from "./useSetPage";

type Kind<T extends Scene["type"]> = Extract<Scene, { type: T }>;

/** What stands on the instrument's side, under the strip or in the log's place. */
const BESIDE = ["readout", "log", "pack", "ladder"];

/** The drawings of a setting by their type; a previewed move's take the place of those it changes. */
export function useScenes(page: SetPageState) {
  const scenes = computed(() => page.sheet?.scenes ?? []);
  const of = <T extends Scene["type"]>(type: T): Kind<T>[] =>
    scenes.value.filter((s): s is Kind<T> => s.type === type);
  const shown = <T extends Scene["type"]>(type: T): Kind<T>[] => {
    const previewed = page.preview?.scenes.filter((s): s is Kind<T> => s.type === type) ?? [];
    return of(type).map((s, i) => previewed[i] ?? s);
  };
  /** What stands in the bay: the thing itself, the sequence, the circle. */
  const rest = computed(() => scenes.value.filter((s) => !BESIDE.includes(s.type)));
  return { of, shown, rest };
}
