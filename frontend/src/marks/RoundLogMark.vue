<script setup lang="ts">
/** The value round by round on the strip's own scale, the window running on as one column. */
import { computed, ref } from "vue";
import type { RoundLog } from "../api/client";
import { makeScale } from "../composables/useScale";
import { packEnd } from "../composables/packBeside";
import { useWidth } from "../composables/useWidth";
import { wrapWords } from "../composables/wrapWords";
import RoundLogRow from "./RoundLogRow.vue";
import WindowPosts from "./WindowPosts.vue";

const props = defineProps<{ scene: RoundLog; gutter?: number }>();
const STEP = 56;
const box = ref<HTMLElement | null>(null);
const width = useWidth(box);
const side = computed(() => (width.value < 560 ? 0 : (props.gutter ?? 0)));
const x = computed(() => makeScale(props.scene.lo, props.scene.hi, side.value + 12, width.value - 12));
const rows = computed(() => props.scene.rows.map((row, i) => ({ row, y: (i + 0.5) * STEP, key: row.label })));
const height = computed(() => rows.value.length * STEP);
/** Right below its strip the window runs on into it; on its own the log has a heading there. */
const over = computed(() => (props.gutter ? 26 : 0));
const trace = computed(() => {
  const points = rows.value.flatMap(({ row, y }) => {
    const at = row.found?.at ?? row.predicted?.middle ?? null;
    return at === null
      ? []
      : [{ x: x.value(at), y, dashed: row.found === null, move: row.move, pack: row.pack }];
  });
  return points.slice(1).map((p, i) => ({ from: points[i] ?? p, to: p }));
});
const LETTER = 8.6;
const LINE = 18;
/** Each move between its rounds, in as many lines as it takes, right of what was in and all of it on the page. */
const moves = computed(() =>
  trace.value.map(({ from, to }) => {
    const left = Math.max(side.value, packEnd(from.pack, side.value));
    const lines = wrapWords(to.move, Math.floor((width.value - left) / LETTER));
    const half = (LETTER * Math.max(...lines.map((l) => l.length))) / 2;
    const middle = Math.max(left + half, Math.min((from.x + to.x) / 2, width.value - half));
    return { x: middle, y: (from.y + to.y) / 2 + 5 - (LINE / 2) * (lines.length - 1), lines };
  }),
);
</script>

<template>
  <div ref="box" class="w-full" data-mark="log">
    <svg :width="width" :height="height" role="img" aria-label="Round log" class="block overflow-visible">
      <g v-if="scene.window">
        <rect
          :x="x(scene.window.lo)"
          :y="-over"
          :width="x(scene.window.hi) - x(scene.window.lo)"
          :height="height + over"
          fill="var(--wanted-tint)"
          style="mix-blend-mode: normal"
          opacity="0.9"
        />
        <WindowPosts :band="scene.window" :x="x" :top="-over" :bottom="height" />
        <line
          v-if="scene.aim !== null"
          :x1="x(scene.aim)"
          :x2="x(scene.aim)"
          :y1="-over"
          :y2="height"
          stroke="var(--wanted-post)"
          stroke-width="1.5"
          stroke-dasharray="2 5"
        />
      </g>
      <line
        v-for="t in trace"
        :key="`${t.from.y}`"
        :x1="t.from.x"
        :y1="t.from.y"
        :x2="t.to.x"
        :y2="t.to.y"
        stroke="var(--found)"
        stroke-width="2.5"
        :stroke-dasharray="t.to.dashed ? '6 5' : undefined"
      />
      <RoundLogRow
        v-for="r in rows"
        :key="r.key"
        :row="r.row"
        :y="r.y"
        :x="x"
        :width="width"
        :gutter="side"
      />
      <g
        v-if="side"
        font-size="16"
        font-weight="650"
        fill="var(--words)"
        text-anchor="middle"
        paint-order="stroke"
        stroke="var(--casing, var(--surface))"
        stroke-linejoin="round"
      >
        <text
          v-for="m in moves"
          :key="m.y"
          :y="m.y"
          :stroke-width="m.lines.length > 1 ? 7 : 16"
          data-move-words
        >
          <tspan v-for="(line, i) in m.lines" :key="line" :x="m.x" :dy="i ? LINE : 0">{{ line }}</tspan>
        </text>
      </g>
    </svg>
  </div>
</template>
