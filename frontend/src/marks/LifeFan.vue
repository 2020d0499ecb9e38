<script setup lang="ts">
/** From what was left last to where the limit will be met: the band of the day, and the likely one. */
import { computed } from "vue";
import type { Scene } from "../api/client";
import type { Scale } from "../composables/useScale";

const props = defineProps<{
  scene: Extract<Scene, { type: "life" }>;
  x: Scale;
  y: (at: number) => number;
  right: (at: number) => boolean;
}>();
const last = computed(() => props.scene.visits.at(-1));
const from = computed(() => last.value?.left ?? last.value?.found);
</script>

<template>
  <g v-if="scene.fan && from && scene.limit">
    <path
      :d="`M${x(from.at)} ${y(last!.at)}L${x(scene.limit.at)} ${y(scene.fan.early)}M${x(from.at)} ${y(last!.at)}L${x(scene.limit.at)} ${y(scene.fan.late)}`"
      fill="none"
      stroke="var(--found)"
      stroke-width="2"
      stroke-dasharray="6 5"
    />
    <rect
      :x="x(scene.limit.at) - 8"
      :y="y(scene.fan.early)"
      width="16"
      :height="Math.max(8, y(scene.fan.late) - y(scene.fan.early))"
      fill="var(--move)"
      stroke="var(--move-edge)"
      stroke-width="2"
    />
    <line
      :x1="x(scene.limit.at) - 15"
      :x2="x(scene.limit.at) + 15"
      :y1="y(scene.fan.likely)"
      :y2="y(scene.fan.likely)"
      stroke="var(--move-edge)"
      stroke-width="3"
    />
    <g
      :text-anchor="right(scene.limit.at) ? 'end' : 'start'"
      paint-order="stroke"
      stroke="var(--casing, var(--surface))"
      stroke-width="6"
    >
      <text
        :x="x(scene.limit.at) + (right(scene.limit.at) ? -22 : 22)"
        :y="y(scene.fan.likely) + 4"
        font-size="22"
        font-weight="700"
        fill="var(--words)"
      >
        {{ scene.fan.label }}
      </text>
      <text
        :x="x(scene.limit.at) + (right(scene.limit.at) ? -22 : 22)"
        :y="y(scene.fan.likely) + 24"
        font-size="15"
        fill="var(--secondary)"
      >
        {{ scene.fan.words }}
      </text>
    </g>
  </g>
</template>
