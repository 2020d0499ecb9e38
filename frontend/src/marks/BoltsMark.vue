<script setup lang="ts">
/** The order in which bolts are tightened: each with its place, the trace from one to the next. */
import { computed } from "vue";
import type { Scene } from "../api/client";

const props = defineProps<{ scene: Extract<Scene, { type: "bolts" }> }>();
const UNIT = 100;
const box = computed(() => {
  const [w, h] = [props.scene.half_w * UNIT + 6, props.scene.half_h * UNIT + 6];
  return `${-w} ${-h} ${2 * w} ${2 * h}`;
});
const trace = computed(() =>
  props.scene.discs.map((d, i) => `${i ? "L" : "M"}${d.x * UNIT} ${d.y * UNIT}`).join(""),
);
</script>

<template>
  <figure data-mark="bolt-order">
    <svg :viewBox="box" class="mx-auto max-h-[420px] w-full" role="img" :aria-label="scene.label">
      <path :d="trace" fill="none" stroke="var(--control)" stroke-width="1.2" stroke-dasharray="3 3" />
      <g v-for="d in scene.discs" :key="d.number" :data-bolt="d.number">
        <circle
          :cx="d.x * UNIT"
          :cy="d.y * UNIT"
          :r="d.r * UNIT"
          :fill="d.number === 1 ? 'var(--move)' : 'var(--surface)'"
          :stroke="d.number === 1 ? 'var(--move-edge)' : 'var(--found)'"
          stroke-width="1.6"
        />
        <text
          :x="d.x * UNIT"
          :y="d.y * UNIT"
          text-anchor="middle"
          dominant-baseline="central"
          :font-size="d.r * UNIT * 1.05"
          font-weight="700"
          :fill="d.number === 1 ? 'var(--move-edge)' : 'var(--found)'"
        >
          {{ d.number }}
        </text>
      </g>
    </svg>
    <figcaption class="text-[16px] text-secondary">
      Seen from outside. Rounds: {{ scene.stages.join(", ") }}
    </figcaption>
  </figure>
</template>
