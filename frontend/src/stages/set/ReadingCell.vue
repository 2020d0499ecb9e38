<script setup lang="ts">
/** One station: taken, live, waiting, asked about or filled twice. The live one takes the keyboard. */
import { computed } from "vue";
import type { Cell, KeptTrace } from "../../api/client";
import TraceMark from "../../marks/TraceMark.vue";
import { stationOf } from "./stations/stations";
import type { Take } from "./useSetPage";

const props = defineProps<{
  cell: Cell;
  number: number;
  live: boolean;
  correcting?: boolean;
  dense?: boolean;
  trace?: KeptTrace;
}>();
const text = defineModel<string>({ required: true });
defineEmits<{ pick: []; take: [what: Take] }>();
const station = computed(() => (props.live ? stationOf(props.cell, "cell") : undefined));
const paint = computed(() => {
  if (props.live) return "bg-here text-on-here border-found";
  if (props.cell.status === "asked" || props.cell.status === "contested")
    return "border-danger border-dashed";
  return props.cell.status === "taken" ? "border-control" : "border-control border-dashed";
});
const answers: Record<string, string> = { true: "yes", True: "yes", false: "no", False: "no" };
const shown = computed(() => {
  const { cell } = props;
  if (cell.status === "contested") return cell.entries.map((e) => e.as_typed).join(" / ");
  if (cell.status === "asked") return cell.entries[0]?.as_typed ?? "";
  if (cell.accepts === "paint") return cell.shown ? "painted" : "";
  const option = cell.options.find(([key]) => key === cell.shown);
  return option?.[1] ?? answers[cell.shown] ?? cell.shown;
});
const size = computed(() => {
  if (shown.value.length > 6) return props.dense ? "text-[16px] wrap-anywhere" : "text-[20px] wrap-anywhere";
  return props.dense ? "text-[20px]" : "text-[27px]";
});
const hint = computed(() => {
  if (props.correcting) return "correcting";
  if (!station.value || props.cell.accepts === "confirm") return "";
  return text.value ? "typing" : "type it";
});
</script>

<template>
  <div
    class="relative flex flex-1 flex-col border-2"
    :class="[
      paint,
      dense ? 'h-[58px]' : 'h-[78px]',
      live ? 'min-w-[104px] grow-[1.6]' : dense ? 'min-w-[72px]' : 'min-w-[82px]',
    ]"
    :data-slot="cell.slot"
    :data-status="cell.status"
  >
    <span class="flex justify-between px-2 pt-0.5 text-[15px] font-semibold">
      <span>{{ number }}</span><span v-if="live">{{ hint }}</span>
    </span>
    <component
      :is="station"
      v-if="station"
      v-model="text"
      :cell="cell"
      :dense="dense"
      @take="(what: Take) => $emit('take', what)"
    />
    <button
      v-else
      :class="size"
      type="button"
      class="flex-1 px-1.5 text-left leading-none font-[650]"
      :aria-label="`${cell.label}: ${shown || 'not read'}${trace ? `, ${trace.words}` : ''}`"
      :title="trace?.words"
      @click="$emit('pick')"
    >
      {{ shown }}
    </button>
    <TraceMark v-if="trace && !live" :points="trace.points" :width="80" :height="dense ? 12 : 18" />
  </div>
</template>
