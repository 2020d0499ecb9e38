import { ref } from "vue";
import { newId, Refusal, type Problem } from "../api/client";
import { actor } from "./useActor";

export type Headers = { "X-Mechanic": string; "Idempotency-Key": string };

/** Writes with one key each: what the server never answered is sent again under the same key, so that it
 * counts once; a refusal is kept beside what was entered. */
export function useSending() {
  const problem = ref<Problem | null>(null);
  const retry = ref<(() => Promise<void>) | null>(null);
  const busy = ref(false);

  async function send(make: (headers: Headers) => Promise<void>, key = newId()): Promise<boolean> {
    busy.value = true;
    try {
      await make({ "X-Mechanic": actor.value, "Idempotency-Key": key });
      letGo();
      return true;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      problem.value = error.problem;
      const lost = error.problem.code === "unreachable";
      retry.value = lost ? async () => void (await send(make, key)) : null;
      return false;
    } finally {
      busy.value = false;
    }
  }
  function letGo(): void {
    problem.value = null;
    retry.value = null;
  }
  return { problem, retry, busy, send, letGo };
}
