import { onKeyStroke } from "@vueuse/core";
import { getCurrentInstance, onBeforeUnmount, onMounted } from "vue";

/** Says whether it used the key. `typing`: something stands in the live field, so letters belong to it. */
export type KeyHandler = (event: KeyboardEvent, typing: boolean) => boolean;

/** Those who want keys, inner parts before the page around them, whenever they came; the first who uses a key
 * ends its way. */
const layers: { handle: KeyHandler; depth: number }[] = [];

function depthHere(): number {
  let depth = 0;
  for (let at = getCurrentInstance(); at; at = at.parent) depth += 1;
  return depth;
}

const FIELDS = ["INPUT", "SELECT", "TEXTAREA"];
const CHOOSING = "[role=listbox], [role=radiogroup], [aria-haspopup=listbox], [role=menu]";
let lastLive: EventTarget | null = null;

function isField(target: EventTarget | null): target is HTMLElement {
  if (!(target instanceof HTMLElement)) return false;
  const choosing = target.closest(CHOOSING) !== null;
  return target.isContentEditable || choosing || FIELDS.includes(target.tagName);
}

function isLive(target: EventTarget | null): target is HTMLInputElement {
  return target instanceof HTMLInputElement && target.dataset["live"] !== undefined;
}

/** The field that takes digits wherever the page was tapped last: the one used last, else the first in sight. */
function liveField(): HTMLInputElement | null {
  const there = [...document.querySelectorAll<HTMLInputElement>("input[data-live]")].filter(
    (field) => !field.disabled && field.offsetParent !== null,
  );
  return there.find((field) => field === lastLive) ?? there[0] ?? null;
}

/** Whether a reading may begin with this key. */
export function begins(key: string): boolean {
  return key.length === 1 && /[\d.,+-]/.test(key);
}

/** Gives a key to the live field, which takes it as if it had had the focus all along. What is only offered there
 * (`data-offered`) gives way to a number that is begun, and takes no letter. */
function toLive(key: string): boolean {
  const field = liveField();
  if (!field || (key.length > 1 && key !== "Backspace")) return false;
  const offered = field.dataset["offered"] !== undefined;
  if (!begins(key) && (!field.value || offered)) return false;
  field.focus({ preventScroll: true });
  field.scrollIntoView({ block: "nearest" });
  const before = offered ? "" : field.value;
  field.value = key === "Backspace" ? before.slice(0, -1) : before + key;
  field.dispatchEvent(new Event("input", { bubbles: true }));
  return true;
}

/** What stands in the live field though it has not the focus; what is only offered there is nobody's typing. */
function typedAside(): string {
  const field = liveField();
  return field && field.dataset["offered"] === undefined ? field.value : "";
}

function presses(target: EventTarget | null, key: string): boolean {
  const onButton = target instanceof HTMLElement && ["BUTTON", "A", "SUMMARY"].includes(target.tagName);
  return onButton && (key === "Enter" || key === " ");
}

function dispatch(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
  if (document.querySelector("[role=dialog]") || presses(event.target, event.key)) return;
  const field = isField(event.target);
  if (field && !isLive(event.target) && event.key !== "Escape") return;
  const text = isLive(event.target) ? event.target.value : typedAside();
  const stray = () => !field && toLive(event.key);
  const used = () => layers.some((layer) => layer.handle(event, text !== ""));
  if (event.key === " " ? used() || stray() : stray() || used()) event.preventDefault();
}

/** A button that was tapped gives the keys back to the page; one reached by keys keeps them. */
function release(event: MouseEvent): void {
  if (event.detail > 0 && event.target instanceof Element) event.target.closest("button")?.blur();
}

/** After a choice from a list its button would keep Space and Enter: the keys go back to the page. */
export function giveKeysBack(): void {
  window.setTimeout(() => document.activeElement instanceof HTMLElement && document.activeElement.blur());
}

function remember(event: FocusEvent): void {
  if (isLive(event.target)) lastLive = event.target;
}

/** The one owner of the keyboard: called once, by the application. */
export function ownKeys(): void {
  onKeyStroke(() => true, dispatch);
  onMounted(() => {
    window.addEventListener("click", release);
    window.addEventListener("focusin", remember);
  });
  onBeforeUnmount(() => {
    window.removeEventListener("click", release);
    window.removeEventListener("focusin", remember);
  });
}

/** Keys for as long as the caller is on the page. A field and an open dialog keep theirs; of a field that is
 * not a live cell only Escape comes through. */
export function useKeys(handle: KeyHandler): void {
  const layer = { handle, depth: depthHere() };
  onMounted(() => {
    layers.push(layer);
    layers.sort((a, b) => b.depth - a.depth);
  });
  onBeforeUnmount(() => layers.splice(layers.indexOf(layer), 1));
}
