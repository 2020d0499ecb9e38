import { useElementSize } from "@vueuse/core";
import { onScopeDispose, watch, type Ref } from "vue";

/** Tells the page how much of its height a bar that stays in sight takes, under a name of the style sheet: what else
 * stays in sight stands clear of it, and so does a field that is gone to. */
export function useEdge(
  name: "--kept" | "--refused" | "--foot",
  bar: Readonly<Ref<HTMLElement | null>>,
): void {
  const { height } = useElementSize(bar, { width: 0, height: 0 }, { box: "border-box" });
  const root = document.documentElement.style;
  watch(height, (now) => root.setProperty(name, `${Math.ceil(now)}px`), { flush: "sync" });
  onScopeDispose(() => root.removeProperty(name));
}
