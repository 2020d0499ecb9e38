import { computed, ref, type Ref } from "vue";
import { begins } from "../../composables/useKeys";
import { useKept } from "../../composables/useKept";

/** What is typed at the stations and not taken yet. It belongs to the station at which it was typed, outlives a
 * reload, and is never joined to another number: what comes while a reading is on its way waits for the next
 * station, and what no station can take is refused in words. */
export function useTyped(setting: string, live: Ref<string | null>) {
  const drafts = useKept<Record<string, string>>(`typed.${setting}`, {});
  const sending = ref(false);
  const waiting = ref("");
  const queue = ref<string[]>([]);
  const stray = ref("");
  const refused = ref("");

  function put(slot: string, text: string) {
    const rest = Object.entries(drafts.value).filter(([key]) => key !== slot);
    drafts.value = Object.fromEntries(text ? [...rest, [slot, text]] : rest);
  }
  const typed = computed({
    get: () => (sending.value ? waiting.value : live.value ? (drafts.value[live.value] ?? "") : ""),
    set: (text) => {
      if (sending.value) waiting.value = text;
      else if (live.value) put(live.value, text);
    },
  });
  /** Typed at stations that are not live any more. */
  const left = computed(() => Object.entries(drafts.value).filter(([slot]) => slot !== live.value));

  /** Sends what stands at a station; what is typed meanwhile goes to the next one, in its order. */
  async function through(
    slot: string,
    text: string,
    send: (text: string) => Promise<boolean>,
  ): Promise<boolean> {
    if (sending.value) {
      if (waiting.value.trim()) queue.value.push(waiting.value.trim());
      waiting.value = "";
      return false;
    }
    const begun = drafts.value[slot] ?? "";
    put(slot, "");
    sending.value = true;
    if (begun.trim() !== text) waiting.value = begun;
    const ok = await send(text);
    sending.value = false;
    const behind = [...queue.value, waiting.value].filter(Boolean);
    if (!ok) {
      put(slot, text);
      if (behind.length) refuse(behind.join(", "), `${text} is not taken yet.`);
      queue.value = [];
    } else {
      refused.value = "";
      if (live.value && waiting.value) put(live.value, waiting.value);
      else if (waiting.value) refuse(waiting.value, "No station is left that takes it.");
    }
    waiting.value = "";
    return ok;
  }
  const next = () => queue.value.shift();
  function refuse(text: string, why: string) {
    refused.value = `Not taken: ${text}. ${why}`;
  }
  /** A key that no station takes. Says whether it was part of a number, which is refused in words as it ends. */
  function strayed(key: string, why: string): boolean {
    if (!stray.value && !begins(key)) return false;
    if (key === "Enter" || key === "Escape") {
      stray.value = "";
      return key === "Enter";
    }
    if (key.length > 1 && key !== "Backspace") return false;
    stray.value = key === "Backspace" ? stray.value.slice(0, -1) : stray.value + key;
    refuse(stray.value, why);
    return true;
  }
  function clear() {
    if (typed.value) typed.value = "";
    stray.value = "";
    refused.value = "";
  }
  return {
    typed,
    left,
    sending,
    refused,
    through,
    next,
    refuse,
    strayed,
    clear,
    letGo: (slot: string) => put(slot, ""),
  };
}
