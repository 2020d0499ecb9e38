import { computed, type Ref } from "vue";
import type { Cell } from "../../api/client";
import { useKept } from "../../composables/useKept";
import { bareFlank } from "../../marks/flankShape";

/** What is being painted at the live station: kept until it is taken, whatever happens to the page. */
export function useFlankPaint(setting: string, round: Ref<number>, cell: Ref<Cell | undefined>) {
  const kept = useKept<Record<string, number[][]>>(`${setting}.paint`, {});
  const key = computed(() => `${cell.value?.slot ?? ""}.${round.value}`);
  const paint = computed({
    get: () => kept.value[key.value] ?? bareFlank(),
    set: (mask) => void (kept.value = { ...kept.value, [key.value]: mask }),
  });
  const painted = computed(
    () => cell.value?.accepts === "paint" && paint.value.some((r) => r.some((v) => v)),
  );
  const sent = () => ({ value: { flank: String(cell.value?.axes["flank"] ?? "drive"), mask: paint.value } });
  const letGo = () => void (kept.value = {});
  return { paint, painted, sent, letGo };
}
