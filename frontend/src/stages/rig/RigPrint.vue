<script setup lang="ts">
/** A flank as the paint shows it: taken as it is seen. */
import { computed } from "vue";
import type { components } from "../../api/schema";

const props = defineProps<{ paint: components["schemas"]["PrintView"]; label: string }>();
defineEmits<{ take: [] }>();
const WIDE = 360;
const HIGH = 170;
/** Rows go from the root up. */
const cells = computed(() => {
  const { mask } = props.paint;
  const [w, h] = [WIDE / (mask[0]?.length || 1), HIGH / (mask.length || 1)];
  return mask.flatMap((row, i) =>
    row.map((share, j) => ({ x: j * w, y: HIGH - (i + 1) * h, w: w + 0.5, h: h + 0.5, share })),
  );
});
</script>

<template>
  <div data-rig-print>
    <h2 class="zone-head">{{ label }}</h2>
    <svg
      viewBox="-1 -1 362 196"
      class="mt-2 block w-full"
      role="img"
      :aria-label="`${label}: the paint as it shows`"
    >
      <rect width="360" height="170" fill="var(--surface)" stroke="var(--found)" stroke-width="2.5" />
      <rect
        v-for="(c, i) in cells.filter((k) => k.share > 0.02)"
        :key="i"
        :x="c.x"
        :y="c.y"
        :width="c.w"
        :height="c.h"
        fill="var(--found)"
        :fill-opacity="c.share"
      />
      <text x="0" y="190" font-size="16" fill="var(--secondary)">toe</text>
      <text x="360" y="190" font-size="16" text-anchor="end" fill="var(--secondary)">heel</text>
    </svg>
    <p class="text-[15px] text-secondary">Turn it through the paint, look, and take what you see.</p>
    <button type="button" class="control control-main mt-2" data-take-print @click="$emit('take')">
      Take the print <span class="keycap">Space</span>
    </button>
  </div>
</template>
