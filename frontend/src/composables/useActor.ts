import { useQuery } from "@tanstack/vue-query";
import { ref } from "vue";
import { api, unwrap } from "../api/client";

const KEY = "bornek.actor";

/** Who acts: chosen by name, not authenticated. */
export const actor = ref(localStorage.getItem(KEY) ?? "");

export function chooseActor(id: string): void {
  actor.value = id;
  localStorage.setItem(KEY, id);
}

export function useMechanics() {
  return useQuery({ queryKey: ["mechanics"], queryFn: () => unwrap(api.GET("/api/mechanics")) });
}
