import { newId } from "../api/client";
import { actor, yardActor } from "./useActor";

const keyOf = (name: string) => `bornek.learner.${name}`;

/** The learner's code: it lies in this browser alone, one for each name, so that progress belongs to nobody else. */
export function learnerCode(): string {
  const key = keyOf(actor.value);
  const found = localStorage.getItem(key) ?? newId();
  localStorage.setItem(key, found);
  return found;
}

/** The same, asked for at a rig; empty where nobody came here from the yard. */
export function learnerCodeOfYard(): string {
  return localStorage.getItem(keyOf(yardActor())) ?? "";
}
