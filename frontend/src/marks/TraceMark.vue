<script setup lang="ts">
/** What a needle did: a line over time, between the least and the greatest that is shown. */
import { computed } from "vue";
import { makeScale } from "../composables/useScale";

const props = defineProps<{ points: number[]; lo?: number; hi?: number; width: number; height: number }>();
const lo = computed(() => props.lo ?? Math.min(...props.points));
const hi = computed(() => props.hi ?? Math.max(...props.points));
const line = computed(() => {
  const x = makeScale(0, Math.max(props.points.length - 1, 1), 1, props.width - 1);
  const up = makeScale(lo.value, hi.value, 2, props.height - 2);
  return props.points.map((v, i) => `${x(i)},${props.height - up(v)}`).join(" ");
});
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    preserveAspectRatio="none"
    :height="height"
    class="block w-full"
    aria-hidden="true"
    data-mark="trace"
  >
    <polyline
      :points="line"
      fill="none"
      stroke="currentColor"
      stroke-width="2"
      vector-effect="non-scaling-stroke"
    />
  </svg>
</template>
