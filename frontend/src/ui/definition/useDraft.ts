import { useLocalStorage } from "@vueuse/core";
import { computed, type Ref } from "vue";
import type { Definition } from "./columns";

/** A definition as it is being typed, kept on this device until it is saved or thrown away. `seen`: the revision it
 * was begun from, 0 for a new type. */
export interface Draft {
  name: string;
  definition: Definition;
  seen: number;
}

const PREFIX = "bornek.draft.";

export interface KeptDraft {
  id: string;
  name: string;
  seen: number;
}

/** The draft of a type or a job; null while nothing differs from what is stored. */
export function useDraft(id: () => string): Ref<Draft | null> {
  return useLocalStorage<Draft | null>(() => PREFIX + id(), null, {
    serializer: {
      read: (text: string) => readDraft(text),
      write: (draft: Draft | null) => JSON.stringify(draft),
    },
    writeDefaults: false,
    deep: false,
    shallow: true,
  });
}

function readDraft(text: string): Draft | null {
  try {
    const draft = JSON.parse(text) as Draft | null;
    return draft && typeof draft.definition === "object" ? draft : null;
  } catch {
    return null;
  }
}

/** Everything begun and not saved on this device. */
export function keptDrafts(): KeptDraft[] {
  const ids = Object.keys(localStorage).filter((key) => key.startsWith(PREFIX));
  return ids
    .map((key) => ({ id: key.slice(PREFIX.length), draft: readDraft(localStorage.getItem(key) ?? "") }))
    .filter((d): d is { id: string; draft: Draft } => d.draft !== null)
    .map(({ id, draft }) => ({ id, name: draft.name, seen: draft.seen }));
}

/** Whether this browser keeps anything at all: some keep nothing, or have no room left. */
export function keepsDrafts(): boolean {
  try {
    localStorage.setItem("bornek.room", "x".repeat(20000));
    localStorage.removeItem("bornek.room");
    return true;
  } catch {
    return false;
  }
}

export function throwAway(id: string): void {
  localStorage.removeItem(PREFIX + id);
}

/** Puts a draft aside under a name of its own; returns its id. */
export function putAside(draft: Draft): string {
  const taken = keptDrafts().map((d) => d.id);
  let n = 1;
  while (taken.includes(`new-${n}`)) n += 1;
  localStorage.setItem(`${PREFIX}new-${n}`, JSON.stringify(draft));
  return `new-${n}`;
}

/** Whether an address is that of a draft that no type stands behind yet. */
export const isNew = (id: string) => /^new-\d+$/.test(id);

/** Where a draft is gone on with. */
export const draftPath = (id: string) =>
  id.startsWith("job.") ? `/jobs/${id.slice(4)}/definition` : `/types/${id}`;

/** What was left unsaved on the page before: said once, on the page that follows. */
export const leftBehind = useLocalStorage<{ id: string; name: string } | null>("bornek.left", null, {
  serializer: { read: (t) => JSON.parse(t) as { id: string; name: string } | null, write: JSON.stringify },
});
export const leftWords = computed(() =>
  leftBehind.value
    ? `“${leftBehind.value.name || "Without a name"}” is not saved. It is kept on this device as you typed it.`
    : "",
);
