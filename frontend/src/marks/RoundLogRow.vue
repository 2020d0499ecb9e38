<script setup lang="ts">
/** One round: predicted as a yellow bar, found as a disc with its give or take, words beside. */
import { computed } from "vue";
import type { RoundLog } from "../api/client";
import { packBeside } from "../composables/packBeside";
import type { Scale } from "../composables/useScale";

const props = defineProps<{
  row: RoundLog["rows"][number];
  y: number;
  x: Scale;
  width: number;
  gutter: number;
}>();
const end = computed(() => {
  const found = props.row.found ? props.x(props.row.found.at + props.row.found.give) : 0;
  const predicted = props.row.predicted ? props.x(props.row.predicted.hi) : 0;
  return Math.max(found, predicted) + 14;
});
const start = computed(() => {
  const found = props.row.found ? props.x(props.row.found.at - props.row.found.give) : props.width;
  const predicted = props.row.predicted ? props.x(props.row.predicted.lo) : props.width;
  return Math.min(found, predicted) - 14;
});
const beside = computed(() => packBeside(props.row.pack, props.gutter));
const value = computed(() => props.row.found?.label ?? props.row.predicted?.label ?? "");
const room = computed(() => 12 * value.value.length + (props.width > 700 ? 8 * props.row.remark.length : 0));
const flip = computed(() => end.value + room.value > props.width);
const wordsX = computed(() =>
  flip.value ? Math.max(start.value, Math.min(room.value + props.gutter, props.width)) : end.value,
);
/** Neither beside nor before it is room: a plate is laid over the bar, else the words stand among its edges. */
const laid = computed(() => flip.value && wordsX.value > start.value + 14);
</script>

<template>
  <g>
    <text v-if="gutter" x="0" :y="y + 6" font-size="17" font-weight="650" fill="var(--words)">{{
      row.label
    }}</text>
    <text
      v-if="gutter"
      :x="beside ? 76 : 0"
      :y="beside ? y + 6 : y + 25"
      font-size="15"
      fill="var(--secondary)"
      data-pack
      >{{ row.pack }}</text
    >
    <text
      v-else
      x="0"
      :y="y - 14"
      font-size="15"
      fill="var(--secondary)"
      paint-order="stroke"
      stroke="var(--casing, var(--surface))"
      stroke-width="5"
      >{{ row.pack ? `${row.label} · ${row.pack}` : row.label }}</text
    >
    <g v-if="row.window" stroke="var(--wanted-post)" stroke-width="2.5">
      <rect
        :x="x(row.window.lo)"
        :y="y - 9"
        :width="x(row.window.hi) - x(row.window.lo)"
        height="22"
        fill="var(--wanted-tint)"
        stroke="none"
      />
      <line
        v-for="edge in [row.window.lo, row.window.hi]"
        :key="edge"
        :x1="x(edge)"
        :x2="x(edge)"
        :y1="y - 9"
        :y2="y + 13"
      />
    </g>
    <g v-if="row.predicted">
      <rect
        :x="x(row.predicted.lo)"
        :y="y - 6"
        :width="x(row.predicted.hi) - x(row.predicted.lo)"
        height="12"
        fill="var(--move)"
        stroke="var(--move-edge)"
        stroke-width="2"
      />
      <line
        v-if="row.predicted.middle !== null"
        :x1="x(row.predicted.middle)"
        :x2="x(row.predicted.middle)"
        :y1="y - 13"
        :y2="y + 13"
        stroke="var(--move-edge)"
        stroke-width="3"
      />
    </g>
    <g v-if="row.found" stroke="var(--found)" stroke-width="3">
      <template v-if="!row.found.bound">
        <line :x1="x(row.found.at - row.found.give)" :x2="x(row.found.at + row.found.give)" :y1="y" :y2="y" />
        <line
          v-for="s in [-1, 1]"
          :key="s"
          :x1="x(row.found.at + s * row.found.give)"
          :x2="x(row.found.at + s * row.found.give)"
          :y1="y - 7"
          :y2="y + 7"
        />
      </template>
      <circle
        :cx="x(row.found.at)"
        :cy="y"
        r="8"
        :fill="row.held_out ? 'var(--surface)' : 'var(--found)'"
        stroke="var(--casing, var(--surface))"
        stroke-width="3"
      />
      <circle
        v-if="row.held_out"
        :cx="x(row.found.at)"
        :cy="y"
        r="6"
        fill="none"
        stroke-dasharray="3 3"
        stroke-width="2"
      />
    </g>
    <rect
      v-if="laid"
      :x="wordsX - room + 6"
      :y="y - 11"
      :width="room"
      height="22"
      fill="var(--casing, var(--surface))"
    />
    <text
      :x="wordsX"
      :y="y + 6"
      font-size="18"
      font-weight="680"
      fill="var(--words)"
      :text-anchor="flip ? 'end' : 'start'"
      paint-order="stroke"
      stroke="var(--casing, var(--surface))"
      stroke-width="5"
    >
      {{ value
      }}<tspan v-if="width > 700" dx="8" font-size="15" font-weight="550" fill="var(--secondary)">{{
        row.remark
      }}</tspan>
    </text>
  </g>
</template>
