<script setup lang="ts">
/** What kind of step it is, drawn and in words: hold, dry, by itself, turn, held up. */
import { computed } from "vue";
import type { StepView } from "../../api/client";
import VerdictMark from "../../marks/VerdictMark.vue";

const props = defineProps<{ step: StepView; late?: string }>();
const hold = computed(() => Boolean(props.step.step.hold || props.step.step.setting));
const waits = computed(() => props.step.wait && !props.step.wait.over);
const held = computed(() => props.step.gates.find((g) => g.sort !== "need"));
</script>

<template>
  <span class="flex shrink-0 items-center gap-2 text-[16px] font-semibold">
    <span v-if="late" class="flex items-center gap-2 bg-danger px-2 py-1 text-[17px] font-bold text-on-danger"
      ><VerdictMark code="out_high" />{{ late }}</span
    >
    <template v-else-if="step.state === 'check'"
      >check<svg width="30" height="20" viewBox="0 0 30 20" aria-hidden="true">
        <path
          d="M3 2V18H27V2"
          fill="none"
          stroke="currentColor"
          stroke-width="2.5"
          stroke-dasharray="4 3"
        /></svg
    ></template>
    <template v-else-if="waits"
      ><b class="text-[18px]">{{ step.wait?.lasts }}</b
      ><span class="hatch h-[18px] w-[46px] border-2" aria-hidden="true"></span
      ><span class="sr-only">{{ step.wait?.words }} by itself</span></template
    >
    <template v-else-if="held && step.state === 'held'"
      ><span class="max-w-[180px] truncate text-secondary">held up</span
      ><span class="h-[18px] w-[46px] border-2 border-dashed" aria-hidden="true"></span
    ></template>
    <template v-else-if="hold"
      >hold<svg width="30" height="20" viewBox="0 0 30 20" aria-hidden="true">
        <path d="M3 2V18H27V2" fill="none" stroke="currentColor" stroke-width="2.5" />
        <circle v-if="step.state === 'done'" cx="15" cy="9" r="5" fill="currentColor" /></svg
      ><span class="sr-only">{{ step.state === "done" ? "signed" : "not signed" }}</span></template
    >
    <template v-else-if="step.step.fit !== 'final'"
      >{{ step.step.fit === "dry" ? "dry" : "to help"
      }}<span class="h-[18px] w-[28px] border-2 border-dashed" aria-hidden="true"></span
    ></template>
    <template v-else-if="step.turn"
      >turn<svg width="28" height="24" viewBox="0 0 28 24" aria-hidden="true">
        <circle cx="13" cy="14" r="8" fill="none" stroke="currentColor" stroke-width="2" />
        <circle cx="13" cy="14" r="2" fill="currentColor" />
        <path d="M2 8A13 13 0 0 1 22 4" fill="none" stroke="currentColor" stroke-width="2" />
        <path d="M27 7L18 7L22 0Z" fill="currentColor" /></svg
    ></template>
  </span>
</template>
