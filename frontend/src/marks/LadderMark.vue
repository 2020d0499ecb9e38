<script setup lang="ts">
/** Positions that can be locked or reached: rungs on the strip's own scale where it has one, else in order. */
import { computed, ref } from "vue";
import type { Scene } from "../api/client";
import { makeScale } from "../composables/useScale";
import { useWidth } from "../composables/useWidth";

const props = defineProps<{ scene: Extract<Scene, { type: "ladder" }>; gutter?: number }>();
const box = ref<HTMLElement | null>(null);
const width = useWidth(box);
const side = computed(() => (width.value < 560 ? 0 : (props.gutter ?? 0)));
const scaled = computed(
  () => props.scene.lo !== null && props.scene.hi !== null && props.scene.lo !== undefined,
);
const LABEL = 58;
const rungs = computed(() => {
  const x = makeScale(props.scene.lo ?? 0, props.scene.hi ?? 1, side.value + 12, width.value - 12);
  const all = props.scene.rungs.map((r) => ({ ...r, x: x(r.value ?? 0) }));
  const kept = all.filter((r) => r.state === "move" || r.state === "now").map((r) => r.x);
  let free = -Infinity;
  return all.map((r) => {
    const own = kept.includes(r.x);
    const named = own || (r.x - free >= LABEL && kept.every((at) => Math.abs(at - r.x) >= LABEL));
    if (named) free = r.x;
    return { ...r, named };
  });
});
const fill: Record<string, string> = {
  free: "var(--surface)",
  now: "var(--found)",
  wanted: "var(--wanted)",
  barred: "var(--neutral)",
  move: "var(--move)",
};
const boxed: Record<string, string> = {
  free: "",
  now: "bg-here text-on-here",
  wanted: "bg-wanted text-white",
  barred: "text-secondary line-through",
  move: "mark",
};
</script>

<template>
  <div ref="box" data-mark="ladder">
    <svg
      v-if="scaled && width > 0"
      :width="width"
      height="62"
      role="img"
      :aria-label="`${scene.label}: ${scene.rungs.map((r) => `${r.label}${r.state === 'free' ? '' : ` ${r.state}`}`).join(', ')}`"
      class="block overflow-visible"
    >
      <text v-if="side" x="0" y="16" font-size="15" font-weight="640" fill="var(--words)">Can be locked</text>
      <text v-if="side" x="0" y="34" font-size="15" fill="var(--secondary)">from snug</text>
      <line :x1="side + 12" :x2="width - 12" y1="34" y2="34" stroke="var(--found)" stroke-width="2" />
      <g v-for="r in rungs" :key="r.at">
        <rect
          :x="r.x - 5"
          :y="r.state === 'free' ? 16 : 8"
          width="10"
          :height="r.state === 'free' ? 18 : 26"
          :fill="fill[r.state]"
          stroke="var(--found)"
          stroke-width="2"
          :data-rung="r.state"
        />
        <text
          v-if="r.named"
          :x="r.x"
          y="54"
          font-size="15"
          :font-weight="r.state === 'free' ? 560 : 700"
          text-anchor="middle"
          fill="var(--words)"
        >
          {{ r.tag }}
        </text>
      </g>
    </svg>
    <template v-else>
      <h3 class="zone-head">{{ scene.label }}</h3>
      <ol class="mt-1 flex flex-wrap gap-1">
        <li
          v-for="r in scene.rungs"
          :key="r.at"
          class="border-2 border-control px-2 py-1 text-[15px]"
          :class="boxed[r.state]"
        >
          {{ r.label }}<span class="sr-only"> {{ r.state }}</span>
        </li>
      </ol>
    </template>
  </div>
</template>
