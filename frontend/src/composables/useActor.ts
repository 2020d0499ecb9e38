import { useQuery } from "@tanstack/vue-query";
import { ref } from "vue";
import { api, unwrap } from "../api/client";
import { rigBase } from "../api/rigAddress";

const KEY = "bornek.actor";

/** At a rig there is nobody but the learner. */
const LEARNER = "learner";
/** Who acts: chosen by name, not authenticated. */
export const actor = ref(rigBase ? LEARNER : yardActor());

/** Who acts in the yard, also asked for at a rig. */
export function yardActor(): string {
  return localStorage.getItem(KEY) ?? "";
}

export function chooseActor(id: string): void {
  actor.value = id;
  localStorage.setItem(KEY, id);
}

export function useMechanics() {
  return useQuery({ queryKey: ["mechanics"], queryFn: () => unwrap(api.GET("/api/mechanics")) });
}
