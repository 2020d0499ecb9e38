<script setup lang="ts">
/** The reading guide: posture on the left, stations by group, the main action on the right. */
import { computed, ref } from "vue";
import type { Cell, KeptTrace } from "../../api/client";
import ReadingCell from "./ReadingCell.vue";
import { stationOf } from "./stations/stations";
import type { Take } from "./useSetPage";

const props = defineProps<{
  cells: Cell[];
  live: string | null;
  correcting: boolean;
  above?: string;
  traces: KeptTrace[];
  stacked?: boolean;
}>();
const text = defineModel<string>({ required: true });
defineEmits<{ pick: [slot: string]; take: [what: Take] }>();
const groups = computed(() => {
  const found = new Map<string, { cell: Cell; number: number }[]>();
  props.cells.forEach((cell, i) =>
    found.set(cell.group, [...(found.get(cell.group) ?? []), { cell, number: i + 1 }]),
  );
  return [...found];
});
/** Steps that are all done fold into one cell, until it is tapped to correct one. */
const unfolded = ref<string[]>([]);
const folds = (stations: { cell: Cell }[], name: string) =>
  stations.length > 2 &&
  !unfolded.value.includes(name) &&
  stations.every(
    ({ cell }) => cell.accepts === "confirm" && cell.status === "taken" && cell.slot !== props.live,
  );
const wide = (stations: { cell: Cell }[], name: string) => (folds(stations, name) ? 1 : stations.length);
const count = computed(() => groups.value.reduce((sum, [name, all]) => sum + wide(all, name), 0));
/** Two blades want room: such cells stand close, so that both rows fit. */
const dense = computed(
  () =>
    count.value > (props.above ? 4 : 6) ||
    (count.value > 3 && props.cells.some((c) => c.accepts === "between")),
);
const beside = computed(() =>
  here.value && here.value.accepts !== props.above ? stationOf(here.value, "beside") : undefined,
);
const here = computed(() => props.cells.find((c) => c.slot === props.live));
</script>

<template>
  <div class="flex flex-col gap-3" :class="stacked ? '' : 'xl:flex-row xl:gap-6'">
    <div :class="stacked ? '' : 'xl:w-[372px] xl:shrink-0'" aria-live="polite">
      <template v-if="here">
        <h2 class="text-[20px] font-bold">{{ here.label }}</h2>
        <p class="text-[16px]">{{ here.posture }}</p>
        <slot v-if="!stacked" name="gauge" />
        <component
          :is="beside"
          v-if="beside"
          :key="here.slot"
          :cell="here"
          @take="(what: Take) => $emit('take', what)"
        />
      </template>
      <slot v-else />
    </div>
    <div class="flex min-w-0 flex-1 flex-wrap content-start gap-x-5 gap-y-2">
      <div
        v-for="[name, stations] in groups"
        :key="name"
        class="flex min-w-0 flex-col gap-1"
        :style="{
          flexGrow: wide(stations, name),
          flexBasis: dense ? `${wide(stations, name) * 80 - 8}px` : 'auto',
        }"
      >
        <h3 class="text-[16px] font-bold">{{ name }}</h3>
        <button
          v-if="folds(stations, name)"
          type="button"
          class="border-2 border-control px-2 text-left text-[18px] font-[650]"
          :class="dense ? 'h-[58px]' : 'h-[78px]'"
          :aria-label="`${name}: ${stations.length} done. Show the steps.`"
          data-folded
          @click="unfolded = [...unfolded, name]"
        >
          {{ stations.length }} done
        </button>
        <div v-else class="flex flex-wrap gap-2">
          <ReadingCell
            v-for="c in stations"
            :key="c.cell.slot"
            v-model="text"
            :cell="c.cell"
            :number="c.number"
            :live="c.cell.slot === live"
            :correcting="correcting"
            :dense="dense"
            :trace="traces.find((t) => t.entry === c.cell.entries.at(-1)?.id)"
            @pick="$emit('pick', c.cell.slot)"
            @take="(what) => $emit('take', what)"
          />
        </div>
      </div>
    </div>
  </div>
</template>
