<script setup lang="ts">
/** Around the shaft: what was read as a trace about its rim, each vector from the middle, 0 at the top, clockwise. */
import { computed } from "vue";
import type { Scene } from "../api/client";

const props = defineProps<{ scene: Extract<Scene, { type: "circle" }> }>();
const R = 116;
const at = (angle: number, r: number) => {
  const turn = (angle * Math.PI) / 180;
  const far = (R * r) / (props.scene.radius || 1);
  return { x: far * Math.sin(turn), y: -far * Math.cos(turn) };
};
const rays = computed(() => props.scene.rays.map((r) => ({ ...r, ...at(r.angle, r.r) })));
const traces = computed(() =>
  (props.scene.traces ?? []).map((t) => {
    const points = t.points.map(([angle, r]) => at(angle ?? 0, r ?? 0));
    return { ...t, points, path: `M${points.map((p) => `${p.x} ${p.y}`).join("L")}Z` };
  }),
);
const rim = computed(() => (props.scene.rim ? (R * props.scene.rim) / props.scene.radius : R));
const labels = computed(() => rays.value.map((r, i) => ({ label: r.label, y: 146 + 20 * i })));
const high = computed(() => 300 + 20 * Math.max(0, rays.value.length - 1));
</script>

<template>
  <figure data-mark="circle">
    <svg
      :viewBox="`-165 -148 330 ${high}`"
      class="w-full max-w-[340px]"
      role="img"
      :aria-label="`${scene.label}: ${scene.rays.map((r) => r.label).join(', ')}`"
    >
      <circle :r="rim" fill="var(--neutral)" stroke="var(--found)" stroke-width="2" />
      <line :y1="-R - 12" :y2="-rim" stroke="var(--found)" stroke-width="3" />
      <text :y="-R - 18" text-anchor="middle" font-size="15" fill="var(--words)">
        {{ scene.zero_label }}
      </text>
      <g v-for="t in traces" :key="t.label">
        <path
          :d="t.path"
          fill="none"
          stroke="var(--found)"
          stroke-width="2.5"
          :stroke-dasharray="t.dashed ? '6 5' : undefined"
        />
        <circle v-for="(p, i) in t.points" :key="i" :cx="p.x" :cy="p.y" r="4" fill="var(--found)" />
      </g>
      <g v-for="(r, i) in rays" :key="r.label">
        <line
          :x2="r.x"
          :y2="r.y"
          stroke="var(--found)"
          stroke-width="4"
          :stroke-dasharray="i ? '7 4' : undefined"
        />
        <circle
          :cx="r.x"
          :cy="r.y"
          r="8"
          :fill="i ? 'var(--surface)' : 'var(--found)'"
          stroke="var(--found)"
          stroke-width="3"
        />
      </g>
      <circle r="3" fill="var(--found)" />
      <text
        v-for="l in labels"
        :key="l.label"
        :y="l.y"
        font-size="16"
        font-weight="680"
        text-anchor="middle"
        fill="var(--words)"
      >
        {{ l.label }}
      </text>
    </svg>
    <figcaption class="zone-head">{{ scene.label }}, {{ scene.unit }}</figcaption>
  </figure>
</template>
