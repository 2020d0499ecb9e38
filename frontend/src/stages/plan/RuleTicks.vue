<script setup lang="ts">
/** The foot of a rule: its base, a graduation each useful step, and the numbers below. */
import { computed } from "vue";

const props = defineProps<{ hi: number; wide: number; steps: number[]; most: number }>();
const step = computed(() => props.steps.find((s) => props.hi / s <= props.most) ?? props.hi);
const ticks = computed(() =>
  Array.from({ length: Math.floor(props.hi / step.value) + 1 }, (_, i) => ({
    at: i * step.value,
    x: ((i * step.value) / props.hi) * props.wide,
  })),
);
</script>

<template>
  <g>
    <path :d="`M0 46H${wide}`" stroke="var(--found)" stroke-width="2" />
    <template v-for="t in ticks" :key="t.at">
      <path :d="`M${t.x} 46V36`" stroke="var(--found)" stroke-width="1.5" />
      <text :x="t.x" y="66" text-anchor="middle" font-size="16" font-weight="570" fill="var(--words)">
        {{ t.at }}
      </text>
    </template>
  </g>
</template>
