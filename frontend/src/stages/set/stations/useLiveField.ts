import { nextTick, onMounted, type Ref } from "vue";

/** The live station takes the keyboard as it appears. */
export function useLiveField(field: Ref<HTMLElement | null>): void {
  onMounted(() => void nextTick(() => field.value?.focus({ preventScroll: true })));
}
