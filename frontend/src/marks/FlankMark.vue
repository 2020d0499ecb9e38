<script setup lang="ts">
/** A tooth flank with its patches: painted or as found in ink, wanted hatched in blue, predicted ringed. */
import { computed } from "vue";
import type { Flank } from "../api/client";
import FlankBody from "./FlankBody.vue";
import { cellPath, FLANK, flankPoint } from "./flankShape";

const props = defineProps<{ scene: Flank }>();
const pair = (p: number[]): [number, number] => [p[0] ?? 0, p[1] ?? 0];
const cells = computed(() =>
  props.scene.patches.flatMap((p) =>
    p.points.map(pair).map(([x, y]) => ({
      role: p.role,
      d: cellPath(Math.floor(y * FLANK.rows), Math.floor(x * FLANK.columns)),
    })),
  ),
);
const centres = computed(() =>
  props.scene.patches.flatMap((p) => (p.centre ? [flankPoint(...pair(p.centre))] : [])),
);
const words = computed(() => {
  const centre = props.scene.patches[0]?.centre;
  if (!centre) return "nothing painted";
  const [x, y] = pair(centre);
  return `centre ${Math.round(x * 100)} % from the toe, ${Math.round(y * 100)} % up the tooth`;
});
const fills: Record<string, string> = {
  painted: "fill-found",
  as_found: "fill-found",
  wanted: "fill-wanted-tint",
  predicted: "fill-move",
};
</script>

<template>
  <figure data-mark="flank">
    <figcaption class="zone-head">
      {{ scene.label }} <span class="font-medium text-secondary">{{ words }}</span>
    </figcaption>
    <svg
      viewBox="-40 -22 500 196"
      class="w-full max-w-[520px]"
      role="img"
      :aria-label="`${scene.label}: ${words}`"
    >
      <FlankBody>
        <path v-for="(c, i) in cells" :key="i" :d="c.d" :class="fills[c.role]" />
        <circle
          v-for="(c, i) in centres"
          :key="`c${i}`"
          :cx="c[0]"
          :cy="c[1]"
          r="6"
          fill="var(--wanted-scribe)"
          stroke="var(--found)"
          stroke-width="2.5"
        />
      </FlankBody>
    </svg>
  </figure>
</template>
