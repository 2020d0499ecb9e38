<script setup lang="ts">
/** Two posts on a sill and a disc: told by shape and place, in greyscale too. */
import { computed } from "vue";

const props = defineProps<{ code: string; leaning?: string }>();
const posts: Record<string, [number, number]> = { out_high: [4, 26], out_low: [20, 42] };
const pair = computed<[number, number]>(() => posts[props.code] ?? [12, 34]);
const disc = computed<number | null>(() => {
  const at: Record<string, number> = {
    in: 23,
    out_high: 38,
    out_low: 8,
    at_edge: props.leaning === "low" ? 17 : 29,
  };
  return at[props.code] ?? null;
});
const dash = computed(() => (props.code === "read_again" ? "4 3" : undefined));
</script>

<template>
  <svg width="46" height="24" viewBox="0 0 46 24" aria-hidden="true" class="shrink-0">
    <path
      :d="`M${pair[0]} 3 V21 H${pair[1]} V3`"
      fill="none"
      stroke="currentColor"
      stroke-width="3"
      :stroke-dasharray="dash"
    />
    <circle v-if="disc !== null" :cx="disc" cy="12" r="6.5" fill="currentColor" />
    <rect
      v-if="code === 'not_proven'"
      x="26"
      y="8"
      width="17"
      height="8"
      fill="none"
      stroke="currentColor"
      stroke-width="2.5"
    />
    <circle
      v-if="code === 'read_again'"
      cx="23"
      cy="12"
      r="5.5"
      fill="none"
      stroke="currentColor"
      stroke-width="2"
      stroke-dasharray="3 3"
    />
  </svg>
</template>
