<script setup lang="ts">
/** The bare flank: outline, lengthwise lines, the strip that the other gear never reaches, words at its sides. */
import { computed, useId } from "vue";
import { FLANK, flankOutline, flankPath, flankPoint } from "./flankShape";

const props = defineProps<{ taper?: number; reach?: readonly (readonly number[])[] }>();
const hatch = useId();
const taper = computed(() => props.taper ?? FLANK.taper);
const lines = computed(() =>
  [1, 2, 3, 4, 5, 6, 7].map((i) => {
    const [[x1, y1], [x2, y2]] = [flankPoint(0, i / 8, taper.value), flankPoint(1, i / 8, taper.value)];
    return { x1, y1, x2, y2 };
  }),
);
const never = computed(() =>
  props.reach?.length ? flankPath([...props.reach, [1, 0], [0, 0]], taper.value) : "",
);
</script>

<template>
  <g>
    <defs>
      <pattern :id="hatch" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V9" stroke="var(--control)" stroke-width="1.4" />
      </pattern>
    </defs>
    <path :d="flankOutline(taper)" fill="var(--cut)" stroke="none" />
    <slot name="under" />
    <line v-for="(l, i) in lines" :key="i" v-bind="l" stroke="var(--surface)" stroke-width="1.5" />
    <path v-if="never" :d="never" :fill="`url(#${hatch})`" data-never />
    <slot />
    <path :d="flankOutline(taper)" fill="none" stroke="var(--found)" stroke-width="3" />
    <g font-size="15" fill="var(--words)" aria-hidden="true">
      <text x="-8" y="80" text-anchor="end">toe</text>
      <text x="428" y="80">heel</text>
      <text x="210" y="-6" text-anchor="middle">tip</text>
      <text x="210" y="168" text-anchor="middle">root</text>
    </g>
  </g>
</template>
