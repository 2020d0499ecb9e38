<script setup lang="ts">
/** A tooth flank with what lies on it, its name and what is seen. */
import { computed } from "vue";
import type { Flank } from "../api/client";
import FlankBody from "./FlankBody.vue";
import FlankPatches from "./FlankPatches.vue";

const props = defineProps<{ scene: Flank; small?: boolean }>();
const words = computed(() => {
  if (props.scene.words) return props.scene.words;
  const [x, y] = props.scene.patches[0]?.centre ?? [];
  if (x === undefined || y === undefined) return "nothing painted";
  return `centre ${Math.round(x * 100)} % from the toe, ${Math.round(y * 100)} % up the tooth`;
});
</script>

<template>
  <figure data-mark="flank" :data-side="scene.side">
    <figcaption class="zone-head flex flex-wrap items-baseline justify-between gap-x-3">
      {{ scene.label }} <span class="font-medium text-secondary">{{ words }}</span>
    </figcaption>
    <svg
      viewBox="-40 -22 500 196"
      class="w-full"
      :class="small ? 'max-w-[345px]' : 'max-w-[560px]'"
      role="img"
      :aria-label="`${scene.label}: ${words}`"
    >
      <FlankBody :taper="scene.taper" :reach="scene.reach"><FlankPatches :scene="scene" /></FlankBody>
    </svg>
  </figure>
</template>
