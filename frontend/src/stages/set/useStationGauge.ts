import { computed, type Ref } from "vue";
import type { SettingView } from "../../api/client";
import { useKept } from "../../composables/useKept";

/** The gauge of the live station: the one that was chosen for such stations, else the one that is proposed. */
export function useStationGauge(
  setting: string,
  view: Ref<SettingView | undefined>,
  live: Ref<string | null>,
) {
  const chosen = useKept<Record<string, string>>(`gauges.${setting}`, {});
  const station = computed(() => view.value?.stations.find((s) => s.slot === live.value));
  const like = computed(() => station.value?.could.map(([id]) => id).join(" ") ?? "");
  const gauge = computed({
    get: () => chosen.value[like.value] ?? station.value?.gauge ?? "",
    set: (id: string) => (chosen.value = { ...chosen.value, [like.value]: id }),
  });
  const name = computed(
    () => station.value?.could.find(([id]) => id === gauge.value)?.[1] ?? station.value?.name ?? "",
  );
  /** What is sent with a reading: nothing where the proposed one is taken. */
  const sent = computed(() =>
    station.value && gauge.value && gauge.value !== station.value.gauge ? { gauge: gauge.value } : {},
  );
  return { station, gauge, name, sent };
}
