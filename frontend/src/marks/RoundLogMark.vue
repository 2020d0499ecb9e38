<script setup lang="ts">
/** The value round by round on the strip's own scale, the window running on as one column. */
import { computed, ref } from "vue";
import type { RoundLog } from "../api/client";
import { makeScale } from "../composables/useScale";
import { useWidth } from "../composables/useWidth";
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
    return at === null ? [] : [{ x: x.value(at), y, dashed: row.found === null, move: row.move }];
  });
  return points.slice(1).map((p, i) => ({ from: points[i] ?? p, to: p }));
});
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
        stroke-width="16"
        stroke-linejoin="round"
      >
        <text
          v-for="t in trace"
          :key="`${t.to.y}`"
          :x="(t.from.x + t.to.x) / 2"
          :y="(t.from.y + t.to.y) / 2 + 5"
        >
          {{ t.to.move }}
        </text>
      </g>
    </svg>
  </div>
</template>
