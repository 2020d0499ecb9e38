import { computed, ref } from "vue";
import { newId, Refusal, type Problem } from "../api/client";
import { actor } from "./useActor";

export type Headers = { "X-Mechanic": string; "Idempotency-Key": string };
type Make = (headers: Headers) => Promise<void>;

/** The one sender: writes with one key each. What the server never answered is sent again under the same key,
 * so that it counts once; a refusal is kept beside what was entered. With `refresh` (look again first) a
 * refusal can be sent again too, as a new request. */
export function useSending(refresh?: () => Promise<unknown>) {
  const problem = ref<Problem | null>(null);
  const retry = ref<(() => Promise<void>) | null>(null);
  const busy = ref(false);
  const trouble = computed(() =>
    problem.value ? `${problem.value.message} ${problem.value.next_step}` : "",
  );

  async function send(make: Make, key = newId()): Promise<boolean> {
    busy.value = true;
    try {
      await make({ "X-Mechanic": actor.value, "Idempotency-Key": key });
      letGo();
      return true;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      if (error.problem.code === "kept") {
        letGo();
        return true;
      }
      problem.value = error.problem;
      const lost = error.problem.code === "unreachable";
      retry.value = lost || refresh ? () => again(make, lost ? key : newId()) : null;
      if (error.problem.code === "stale") await refresh?.();
      return false;
    } finally {
      busy.value = false;
    }
  }
  async function again(make: Make, key: string): Promise<void> {
    await refresh?.();
    await send(make, key);
  }
  function letGo(): void {
    problem.value = null;
    retry.value = null;
  }
  return { problem, retry, busy, trouble, send, letGo };
}
