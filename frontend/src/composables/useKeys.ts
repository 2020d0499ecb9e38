import { onBeforeUnmount, onMounted } from "vue";

export type KeyHandler = (event: KeyboardEvent) => boolean;

function taken(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  return target.isContentEditable || ["INPUT", "SELECT", "TEXTAREA"].includes(target.tagName);
}

/** A button that was tapped gives the keys back to the page; one reached by keys keeps them. */
function release(event: MouseEvent): void {
  if (event.detail > 0 && event.target instanceof Element) event.target.closest("button")?.blur();
}

/** Keys for the whole page; a text field or an open dialog keeps its own. The handler says if it used it. */
export function useKeys(handle: KeyHandler): void {
  const listen = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey || taken(event.target)) return;
    if (document.querySelector("[role=dialog]")) return;
    const onButton = event.target instanceof HTMLElement && ["BUTTON", "A"].includes(event.target.tagName);
    if (onButton && (event.key === "Enter" || event.key === " ")) return;
    if (handle(event)) event.preventDefault();
  };
  onMounted(() => {
    window.addEventListener("keydown", listen);
    window.addEventListener("click", release);
  });
  onBeforeUnmount(() => {
    window.removeEventListener("keydown", listen);
    window.removeEventListener("click", release);
  });
}
