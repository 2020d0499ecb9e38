import { ref } from "vue";
import { newId, Refusal } from "../api/client";
import { actor } from "./useActor";

/** A form's sending: a refusal becomes words beside it, and what was typed stays. */
export function useTrouble() {
  const trouble = ref("");
  async function attempt(send: () => Promise<void>): Promise<void> {
    try {
      await send();
      trouble.value = "";
    } catch (refused) {
      if (!(refused instanceof Refusal)) throw refused;
      trouble.value = `${refused.message} ${refused.problem.next_step}`;
    }
  }
  return { trouble, attempt };
}

/** Who acts, and a fresh key. */
export function writeHeaders(): { "X-Mechanic": string; "Idempotency-Key": string } {
  return { "X-Mechanic": actor.value, "Idempotency-Key": newId() };
}
