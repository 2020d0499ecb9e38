<script setup lang="ts">
/** Two posts on a sill and a disc: told by shape and place, in greyscale too. The same marks are on paper. */
import { computed } from "vue";
import { lookOf } from "./verdictLook";

const props = defineProps<{ code: string; leaning?: string }>();
const look = computed(() => lookOf(props.code));
const disc = computed(() =>
  props.leaning === "low" ? (look.value.disc_low ?? look.value.disc) : look.value.disc,
);
const dash = computed(() => (look.value.dashed ? "4 3" : undefined));
</script>

<template>
  <svg width="46" height="24" viewBox="0 0 46 24" aria-hidden="true" class="shrink-0">
    <path
      :d="`M${look.posts[0]} 3 V21 H${look.posts[1]} V3`"
      fill="none"
      stroke="currentColor"
      stroke-width="3"
      :stroke-dasharray="dash"
    />
    <circle
      v-if="disc !== null"
      :cx="disc"
      cy="12"
      :r="look.open ? 5.5 : 6.5"
      :fill="look.open ? 'none' : 'currentColor'"
      :stroke="look.open ? 'currentColor' : 'none'"
      stroke-width="2"
      :stroke-dasharray="look.open ? '3 3' : undefined"
    />
    <rect
      v-if="look.bar"
      x="26"
      y="8"
      width="17"
      height="8"
      fill="none"
      stroke="currentColor"
      stroke-width="2.5"
    />
  </svg>
</template>
