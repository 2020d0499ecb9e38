import { ref, watch, type Ref } from "vue";
import { LEAVES, type Definition } from "./columns";
import { rowsOf } from "./rows";

const MOST = 200;
const PAUSE_MS = 700;

/** Which rows there are, in their order: what changes this is a step of its own. */
const rowsThere = (d: Definition) =>
  JSON.stringify(LEAVES.map(([leaf]) => rowsOf(d, leaf).map((r) => [r["key"], r["shaft"]])));

/** Steps back through a definition; letters typed in one go are one step. */
export function useUndo(definition: Ref<Definition>) {
  const past = ref<string[]>([]);
  let at = JSON.stringify(definition.value);
  let there = rowsThere(definition.value);
  let touched = 0;
  let going = false;
  watch(definition, (now) => {
    const text = JSON.stringify(now);
    if (text === at) return;
    const when = performance.now();
    const rows = rowsThere(now);
    if (!going && (rows !== there || when - touched > PAUSE_MS))
      past.value = [...past.value.slice(-MOST), at];
    there = rows;
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
