<script setup lang="ts">
/** Around the shaft: each ray from the centre at its angle, 0 at the top, clockwise. */
import { computed } from "vue";
import type { Scene } from "../api/client";

const props = defineProps<{ scene: Extract<Scene, { type: "circle" }> }>();
const R = 120;
const rays = computed(() =>
  props.scene.rays.map((r) => {
    const turn = (r.angle * Math.PI) / 180;
    const far = (R * r.r) / (props.scene.radius || 1);
    return { ...r, x: far * Math.sin(turn), y: -far * Math.cos(turn) };
  }),
);
</script>

<template>
  <figure data-mark="circle">
    <svg
      viewBox="-165 -150 330 300"
      class="w-full max-w-[340px]"
      role="img"
      :aria-label="`${scene.label}: ${scene.rays.map((r) => `${r.label} at ${Math.round(r.angle)}°`).join(', ')}`"
    >
      <circle :r="R" fill="var(--neutral)" stroke="var(--found)" stroke-width="2" />
      <line y1="-132" :y2="-R" stroke="var(--found)" stroke-width="3" />
      <text y="-136" text-anchor="middle" font-size="15" fill="var(--words)">{{ scene.zero_label }}</text>
      <g v-for="r in rays" :key="r.label">
        <line :x2="r.x" :y2="r.y" stroke="var(--found)" stroke-width="3.5" />
        <circle :cx="r.x" :cy="r.y" r="7" fill="var(--found)" />
        <text
          :x="r.x * 1.12"
          :y="r.y * 1.12"
          font-size="15"
          font-weight="680"
          text-anchor="middle"
          fill="var(--words)"
        >
          {{ r.label }}
        </text>
      </g>
      <circle r="3" fill="var(--found)" />
    </svg>
    <figcaption class="zone-head">{{ scene.label }}, {{ scene.unit }}</figcaption>
  </figure>
</template>
