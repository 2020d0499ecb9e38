import { ref, watch, type Ref } from "vue";
import type { Definition } from "./columns";

const MOST = 200;
const PAUSE_MS = 700;

/** Steps back through a definition; letters typed in one go are one step. */
export function useUndo(definition: Ref<Definition>) {
  const past = ref<string[]>([]);
  let at = JSON.stringify(definition.value);
  let touched = 0;
  let going = false;
  watch(definition, (now) => {
    const text = JSON.stringify(now);
    if (text === at) return;
    const when = performance.now();
    if (!going && when - touched > PAUSE_MS) past.value = [...past.value.slice(-MOST), at];
    touched = going ? 0 : when;
    going = false;
    at = text;
  });
  function undo() {
    const before = past.value.at(-1);
    if (before === undefined) return;
    past.value = past.value.slice(0, -1);
    going = true;
    definition.value = JSON.parse(before) as Definition;
  }
  return { past, undo };
}
