<script setup lang="ts">
/** Visits down the years: left open, found filled, the wear between with its rate. */
import { computed } from "vue";
import type { Scene } from "../api/client";
import type { Scale } from "../composables/useScale";

type Life = Extract<Scene, { type: "life" }>;
const props = defineProps<{
  scene: Life;
  x: Scale;
  y: (at: number) => number;
  width: number;
  right: (at: number) => boolean;
}>();
const stretches = computed(() =>
  props.scene.visits.flatMap((v, i) => {
    const before = props.scene.visits[i - 1];
    const start = before?.left ?? before?.found;
    if (!before || !start || !v.found) return [];
    const [x1, y1] = [props.x(start.at), props.y(before.at)];
    return [{ key: i, x1, y1, x2: props.x(v.found.at), y2: props.y(v.at), rate: v.rate }];
  }),
);
/** Set back from what was found: only where the two stand apart. */
const setBack = (v: Life["visits"][number]) =>
  v.found && v.left && Math.abs(props.x(v.found.at) - props.x(v.left.at)) > 24
    ? { from: props.x(v.found.at), to: props.x(v.left.at), way: v.found.at > v.left.at ? 1 : -1 }
    : null;
</script>

<template>
  <g>
    <g stroke="var(--found)">
      <line
        v-for="v in scene.visits"
        :key="`line-${v.at}`"
        :x1="0"
        :x2="width"
        :y1="y(v.at)"
        :y2="y(v.at)"
        stroke="var(--row)"
        stroke-width="1.5"
      />
      <line
        v-for="s in stretches"
        :key="s.key"
        :x1="s.x1"
        :y1="s.y1"
        :x2="s.x2"
        :y2="s.y2"
        stroke-width="2.5"
      />
    </g>
    <g
      font-size="16"
      fill="var(--words)"
      font-weight="620"
      paint-order="stroke"
      stroke="var(--casing, var(--surface))"
      stroke-width="6"
      stroke-linejoin="round"
    >
      <text
        v-for="s in stretches"
        :key="s.key"
        :x="(s.x1 + s.x2) / 2 + 10"
        :y="(s.y1 + s.y2) / 2 + 5"
        :text-anchor="(s.x1 + s.x2) / 2 > width - 170 ? 'end' : 'start'"
      >
        {{ s.rate }}
      </text>
      <template v-for="v in scene.visits" :key="`words-${v.at}`">
        <text x="0" :y="y(v.at) - 6" font-size="18" font-weight="660">{{ v.label }}</text>
        <text x="0" :y="y(v.at) + 18" font-size="15" fill="var(--secondary)" font-weight="540">
          {{ v.words }}
        </text>
      </template>
    </g>
    <g v-for="v in scene.visits" :key="`disc-${v.at}`">
      <template v-if="setBack(v)">
        <path
          :d="`M${setBack(v)!.from - 10 * setBack(v)!.way} ${y(v.at)}H${setBack(v)!.to + 12 * setBack(v)!.way}`"
          stroke="var(--found)"
          stroke-width="2.5"
        />
        <path
          :d="`M${setBack(v)!.to + 10 * setBack(v)!.way} ${y(v.at)}l${14 * setBack(v)!.way} -7v14z`"
          fill="var(--found)"
        />
      </template>
      <template v-if="v.found">
        <circle
          :cx="x(v.found.at)"
          :cy="y(v.at)"
          r="8"
          fill="var(--found)"
          stroke="var(--casing, var(--surface))"
          stroke-width="3"
        />
        <text
          :x="x(v.found.at) + (right(v.found.at) ? -14 : 14)"
          :y="y(v.at) + 6"
          :text-anchor="right(v.found.at) ? 'end' : 'start'"
          font-size="18"
          font-weight="680"
          fill="var(--words)"
          paint-order="stroke"
          stroke="var(--casing, var(--surface))"
          stroke-width="6"
        >
          {{ v.found.label }}
        </text>
      </template>
      <circle
        v-if="v.left"
        :cx="x(v.left.at)"
        :cy="y(v.at)"
        r="7"
        fill="var(--surface)"
        stroke="var(--found)"
        stroke-width="2.5"
      />
    </g>
  </g>
</template>
