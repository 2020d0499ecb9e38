<script setup lang="ts">
/** The reading guide: posture on the left, stations by group, the main action on the right. */
import { computed } from "vue";
import type { Cell } from "../../api/client";
import ReadingCell from "./ReadingCell.vue";
import { stationOf } from "./stations/stations";
import type { Take } from "./useSetPage";

const props = defineProps<{ cells: Cell[]; live: string | null; correcting: boolean }>();
const text = defineModel<string>({ required: true });
defineEmits<{ pick: [slot: string]; take: [what: Take] }>();
const groups = computed(() => {
  const found = new Map<string, { cell: Cell; number: number }[]>();
  props.cells.forEach((cell, i) =>
    found.set(cell.group, [...(found.get(cell.group) ?? []), { cell, number: i + 1 }]),
  );
  return [...found];
});
const beside = computed(() => (here.value ? stationOf(here.value, "beside") : undefined));
const here = computed(() => props.cells.find((c) => c.slot === props.live));
</script>

<template>
  <div class="flex flex-col gap-3 xl:flex-row xl:gap-6">
    <div class="xl:w-[372px] xl:shrink-0" aria-live="polite">
      <template v-if="here">
        <h2 class="text-[20px] font-bold">{{ here.label }}</h2>
        <p class="text-[16px]">{{ here.posture }}</p>
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
          flexGrow: stations.length,
          flexBasis: cells.length > 6 ? `${stations.length * 80 - 8}px` : 'auto',
        }"
      >
        <h3 class="text-[16px] font-bold">{{ name }}</h3>
        <div class="flex gap-2">
          <ReadingCell
            v-for="c in stations"
            :key="c.cell.slot"
            v-model="text"
            :cell="c.cell"
            :number="c.number"
            :live="c.cell.slot === live"
            :correcting="correcting"
            :dense="cells.length > 6"
            @pick="$emit('pick', c.cell.slot)"
            @take="(what) => $emit('take', what)"
          />
        </div>
      </div>
    </div>
  </div>
</template>
