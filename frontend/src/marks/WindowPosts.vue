<script setup lang="ts">
/** The two posts of a window; a side without a limit has none. */
import type { Band } from "../api/client";
import type { Scale } from "../composables/useScale";

defineProps<{ band: Band; x: Scale; top: number; bottom: number }>();
</script>

<template>
  <g stroke="var(--wanted-post)" stroke-width="2.5">
    <line v-if="!band.open_lo" :x1="x(band.lo)" :x2="x(band.lo)" :y1="top" :y2="bottom" />
    <line v-if="!band.open_hi" :x1="x(band.hi)" :x2="x(band.hi)" :y1="top" :y2="bottom" />
  </g>
</template>
