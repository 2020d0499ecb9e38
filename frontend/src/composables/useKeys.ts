import { onKeyStroke } from "@vueuse/core";
import { onBeforeUnmount, onMounted } from "vue";

/** Says whether it used the key. `typing`: something stands in the live cell, so letters belong to it. */
export type KeyHandler = (event: KeyboardEvent, typing: boolean) => boolean;

/** Those who want keys, inner parts before the page around them; the first who uses a key ends its way. */
const layers: KeyHandler[] = [];

const FIELDS = ["INPUT", "SELECT", "TEXTAREA"];

function isField(target: EventTarget | null): target is HTMLElement {
  if (!(target instanceof HTMLElement)) return false;
  const choosing = target.closest("[role=listbox], [role=radiogroup], [aria-haspopup=listbox]") !== null;
  return target.isContentEditable || choosing || FIELDS.includes(target.tagName);
}

/** What stands in the live cell, or null where another field has the keys. */
function liveText(target: EventTarget | null): string | null {
  const live = target instanceof HTMLInputElement && target.dataset["live"] !== undefined;
  return live ? target.value : null;
}

function presses(target: EventTarget | null, key: string): boolean {
  const onButton = target instanceof HTMLElement && ["BUTTON", "A", "SUMMARY"].includes(target.tagName);
  return onButton && (key === "Enter" || key === " ");
}

function dispatch(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
  if (document.querySelector("[role=dialog]") || presses(event.target, event.key)) return;
  const text = isField(event.target) ? liveText(event.target) : "";
  if (text === null && event.key !== "Escape") return;
  if (layers.some((use) => use(event, Boolean(text)))) event.preventDefault();
}

/** A button that was tapped gives the keys back to the page; one reached by keys keeps them. */
function release(event: MouseEvent): void {
  if (event.detail > 0 && event.target instanceof Element) event.target.closest("button")?.blur();
}

/** The one owner of the keyboard: called once, by the application. */
export function ownKeys(): void {
  onKeyStroke(() => true, dispatch);
  onMounted(() => window.addEventListener("click", release));
  onBeforeUnmount(() => window.removeEventListener("click", release));
}

/** Keys for as long as the caller is on the page. A field and an open dialog keep theirs; of a field that is
 * not a live cell only Escape comes through. */
export function useKeys(handle: KeyHandler): void {
  onMounted(() => layers.push(handle));
  onBeforeUnmount(() => layers.splice(layers.indexOf(handle), 1));
}
