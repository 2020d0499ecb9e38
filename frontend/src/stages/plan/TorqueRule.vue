<script setup lang="ts">
/** Torque on a rule: stages done as ticks, the last as the window, what to set on the wrench as the landing. */
import { computed } from "vue";
import type { TorqueView } from "../../api/client";
import RuleTicks from "./RuleTicks.vue";

const props = defineProps<{ torque: TorqueView }>();
const WIDE = 640;
const hi = computed(() => Math.max(...props.torque.stages) * 1.18);
const x = (value: number) => (value / hi.value) * WIDE;
const n = computed(() => Math.max(1, props.torque.bolts));
const stage = computed(() =>
  Math.min(props.torque.stages.length - 1, Math.floor(props.torque.done / n.value)),
);
const all = computed(
  () => props.torque.bolts > 0 && props.torque.done >= n.value * props.torque.stages.length,
);
const last = computed(() => props.torque.stages.at(-1) ?? 0);
const now = computed(() => props.torque.stages[stage.value] ?? 0);
</script>

<template>
  <section class="border-b-2 px-5 py-1.5" aria-label="Torque">
    <p class="flex items-baseline gap-4">
      <b class="zone-head">Torque</b>
      <b class="text-[52px] leading-none" style="font-stretch: 96%">{{ torque.words[stage] }}</b>
      <span class="text-[18px] font-semibold">{{ all ? "all tight" : "set the wrench, no extension" }}</span>
    </p>
    <svg
      :viewBox="`-6 -22 ${WIDE + 12} 96`"
      class="max-h-[92px] w-full"
      role="img"
      :aria-label="`Torque ${torque.words[stage]}`"
    >
      <rect x="0" y="0" :width="WIDE" height="46" fill="var(--neutral)" />
      <rect :x="x(last * 0.95)" y="0" :width="x(last * 0.1)" height="46" fill="var(--wanted)" />
      <path
        :d="`M${x(last * 0.95)} -16V46M${x(last * 1.05)} -16V46`"
        stroke="var(--wanted-post)"
        stroke-width="2.5"
      />
      <path :d="`M${x(last)} 0V46`" stroke="var(--wanted-scribe)" stroke-width="2" />
      <path
        v-for="s in torque.stages.slice(0, stage)"
        :key="s"
        :d="`M${x(s)} -10V24`"
        stroke="var(--found)"
        stroke-width="3.5"
      />
      <g v-if="!all">
        <rect
          :x="x(now) - 15"
          y="22"
          width="30"
          height="15"
          fill="var(--move)"
          stroke="var(--move-edge)"
          stroke-width="2"
        />
        <path :d="`M${x(now)} 15V44`" stroke="var(--move-edge)" stroke-width="2.5" />
      </g>
      <RuleTicks :hi="hi" :wide="WIDE" :steps="[1, 2, 5, 10, 20, 50, 100, 200, 500, 1000]" :most="12" />
    </svg>
  </section>
</template>
