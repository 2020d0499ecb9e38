<script setup lang="ts">
/** The bare flank: outline, lengthwise lines, words at its four sides. */
import { flankPoint, outline } from "./flankShape";

const lines = [1, 2, 3, 4, 5, 6, 7].map((i) => {
  const [[x1, y1], [x2, y2]] = [flankPoint(0, i / 8), flankPoint(1, i / 8)];
  return { x1, y1, x2, y2 };
});
</script>

<template>
  <g>
    <path :d="outline" fill="var(--cut)" stroke="var(--found)" stroke-width="3" />
    <line v-for="(l, i) in lines" :key="i" v-bind="l" stroke="var(--surface)" stroke-width="1.5" />
    <slot />
    <g font-size="15" fill="var(--words)" aria-hidden="true">
      <text x="-8" y="80" text-anchor="end">toe</text>
      <text x="428" y="80">heel</text>
      <text x="210" y="-6" text-anchor="middle">tip</text>
      <text x="210" y="168" text-anchor="middle">root</text>
    </g>
  </g>
</template>
