<script setup lang="ts">
/** One station: taken, live, waiting, asked about or filled twice. The live one takes the keyboard. */
import { computed, nextTick, onMounted, ref, watch } from "vue";
import type { Cell } from "../api/client";

const props = defineProps<{
  cell: Cell;
  number: number;
  live: boolean;
  correcting?: boolean;
  dense?: boolean;
}>();
const text = defineModel<string>({ required: true });
defineEmits<{ pick: []; take: [] }>();
const field = ref<HTMLInputElement | null>(null);
const focus = () => nextTick(() => field.value?.focus({ preventScroll: true }));
watch(
  () => props.live,
  (live) => live && focus(),
);
onMounted(() => props.live && focus());
const paint = computed(() => {
  if (props.live) return "bg-here text-on-here border-found";
  if (props.cell.status === "asked" || props.cell.status === "contested")
    return "border-danger border-dashed";
  return props.cell.status === "taken" ? "border-control" : "border-control border-dashed";
});
const shown = computed(() => {
  if (props.cell.status === "contested") return props.cell.entries.map((e) => e.as_typed).join(" / ");
  if (props.cell.status === "asked") return props.cell.entries[0]?.as_typed ?? "";
  return props.cell.accepts === "confirm" && props.cell.shown ? "yes" : props.cell.shown;
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
      <span>{{ number }}</span><span v-if="live">{{
        correcting ? "correcting" : text ? "typing" : "type it"
      }}</span>
    </span>
    <input
      v-if="live && cell.accepts !== 'confirm'"
      :class="dense ? 'text-[24px]' : 'text-[38px]'"
      ref="field"
      v-model="text"
      class="w-full min-w-0 flex-1 bg-transparent px-2 font-bold leading-none caret-(--caret) outline-none"
      size="3"
      inputmode="decimal"
      autocomplete="off"
      :aria-label="cell.label"
      maxlength="40"
      data-live
    />
    <button
      v-else-if="live"
      ref="field"
      type="button"
      class="flex-1 text-[22px] font-bold"
      data-live
      @click="$emit('take')"
    >
      yes
    </button>
    <button
      v-else
      :class="dense ? 'text-[20px]' : 'text-[27px]'"
      type="button"
      class="flex-1 px-1.5 text-left leading-none font-[650]"
      :aria-label="`${cell.label}: ${shown || 'not read'}`"
      @click="$emit('pick')"
    >
      {{ shown }}
    </button>
  </div>
</template>
