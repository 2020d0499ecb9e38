import { newId } from "../api/client";
import { actor } from "./useActor";

/** The learner's code: it lies in this browser alone, one for each name, so that progress belongs to nobody else. */
export function learnerCode(name = actor.value): string {
  const key = `bornek.learner.${name}`;
  const found = localStorage.getItem(key) ?? newId();
  localStorage.setItem(key, found);
  return found;
}
