import { onBeforeUnmount, onMounted, ref, type Ref } from "vue";

/** The width of an element, followed as it changes. */
export function useWidth(element: Ref<HTMLElement | null>, start = 800): Ref<number> {
  const width = ref(start);
  let observer: ResizeObserver | undefined;
  onMounted(() => {
    if (!element.value) return;
    width.value = element.value.clientWidth;
    observer = new ResizeObserver(([entry]) => {
      if (entry) width.value = entry.contentRect.width;
    });
    observer.observe(element.value);
  });
  onBeforeUnmount(() => observer?.disconnect());
  return width;
}
