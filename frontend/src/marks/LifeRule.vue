<script setup lang="ts">
/** The rule of a quantity's life on top, its window and the most in service running down. */
import { computed } from "vue";
import type { Scene } from "../api/client";
import type { Scale } from "../composables/useScale";
import WindowPosts from "./WindowPosts.vue";

const props = defineProps<{
  scene: Extract<Scene, { type: "life" }>;
  x: Scale;
  height: number;
  right: (at: number) => boolean;
}>();
const RULE: [number, number] = [44, 80];
/** Half of what the window's words take, and all of the limit's. */
const WINDOW_HALF = 66;
const LIMIT_WORDS = 176;
/** The limit's words go above the window's where both would meet. */
const raised = computed(() => {
  const { window: left, limit } = props.scene;
  if (!left || !limit) return false;
  const middle = (props.x(left.lo) + props.x(left.hi)) / 2;
  const at = props.x(limit.at);
  const from = at - LIMIT_WORDS / (props.right(limit.at) ? 1 : 2);
  return from < middle + WINDOW_HALF && from + LIMIT_WORDS > middle - WINDOW_HALF;
});
</script>

<template>
  <g>
    <g v-if="scene.window">
      <rect
        :x="x(scene.window.lo)"
        :y="RULE[0]"
        :width="x(scene.window.hi) - x(scene.window.lo)"
        :height="height - RULE[0]"
        fill="var(--wanted-tint)"
      />
    </g>
    <rect
      :x="x(scene.lo)"
      :y="RULE[0]"
      :width="x(scene.hi) - x(scene.lo)"
      :height="RULE[1] - RULE[0]"
      fill="var(--neutral)"
    />
    <g v-if="scene.window">
      <rect
        :x="x(scene.window.lo)"
        :y="RULE[0]"
        :width="x(scene.window.hi) - x(scene.window.lo)"
        :height="RULE[1] - RULE[0]"
        fill="var(--wanted)"
      />
      <WindowPosts :band="scene.window" :x="x" :top="28" :bottom="height" />
      <text
        :x="(x(scene.window.lo) + x(scene.window.hi)) / 2"
        y="18"
        text-anchor="middle"
        font-size="16"
        font-weight="650"
        fill="var(--words)"
      >
        left {{ scene.window.label }}
      </text>
    </g>
    <g stroke="var(--found)">
      <line :x1="x(scene.lo)" :x2="x(scene.hi)" :y1="RULE[1]" :y2="RULE[1]" stroke-width="2" />
      <line
        v-for="t in scene.ticks"
        :key="t.at"
        :x1="x(t.at)"
        :x2="x(t.at)"
        :y1="RULE[1] - (t.label ? 15 : 7)"
        :y2="RULE[1]"
        stroke-width="1.5"
        :stroke="
          scene.window && t.at >= scene.window.lo && t.at <= scene.window.hi
            ? 'var(--scribe)'
            : 'var(--found)'
        "
      />
    </g>
    <g font-size="15" font-weight="560" text-anchor="middle" fill="var(--words)">
      <text v-for="t in scene.ticks.filter((k) => k.label)" :key="t.at" :x="x(t.at)" :y="RULE[1] + 19">
        {{ t.label }}
      </text>
    </g>
    <g v-if="scene.limit">
      <line
        :x1="x(scene.limit.at)"
        :x2="x(scene.limit.at)"
        y1="28"
        :y2="height"
        stroke="var(--wanted-post)"
        stroke-width="2.5"
        stroke-dasharray="6 5"
      />
      <text
        :x="x(scene.limit.at)"
        :y="raised ? 0 : 18"
        :text-anchor="right(scene.limit.at) ? 'end' : 'middle'"
        font-size="16"
        fill="var(--secondary)"
      >
        in service at most
        <tspan font-weight="650" fill="var(--words)">{{ scene.limit.label }}</tspan>
      </text>
    </g>
  </g>
</template>
