<script setup lang="ts">
/** The section made to be touched: parts and shafts are tapped, a part is drawn along its shaft or onto another. */
import { computed, ref } from "vue";
import type { Section } from "../api/client";

const props = defineProps<{ scene: Section; part: string; shaft: string; shaftOf: Record<string, string> }>();
const emit = defineEmits<{
  part: [key: string];
  shaft: [key: string];
  drop: [part: string, shaft: string, before: string | null];
}>();
type Box = { x0: number; y0: number; x1: number; y1: number };
const FAR = 7;
const boxes = computed(() => {
  const found: Record<string, Box> = {};
  for (const s of props.scene.shapes) {
    if (!s.part || !s.closed) continue;
    const b = (found[s.part] ??= { x0: 1e9, y0: 1e9, x1: -1e9, y1: -1e9 });
    for (const [x = 0, y = 0] of s.points) {
      [b.x0, b.x1] = [Math.min(b.x0, x), Math.max(b.x1, x)];
      [b.y0, b.y1] = [Math.min(b.y0, y), Math.max(b.y1, y)];
    }
  }
  return found;
});
const shapes = computed(() => props.scene.shapes.filter((s) => s.closed && s.part && props.shaftOf[s.part]));
const lines = computed(() => props.scene.labels.filter((l) => l.line.length === 2));
const svg = ref<SVGGElement | null>(null);
const drag = ref<{ part: string; x: number; y: number; on: boolean } | null>(null);
const at = ref<[number, number]>([0, 0]);

function point(event: PointerEvent): [number, number] {
  const matrix = svg.value?.getScreenCTM()?.inverse();
  const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
  return [p.x, p.y];
}
function down(event: PointerEvent, part: string) {
  const [x, y] = point(event);
  drag.value = { part, x, y, on: false };
  at.value = [x, y];
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
}
function move(event: PointerEvent) {
  if (!drag.value) return;
  at.value = point(event);
  const [x, y] = at.value;
  if (Math.hypot(x - drag.value.x, y - drag.value.y) > FAR) drag.value.on = true;
}
/** How far a point lies from the line of a shaft. */
function away(line: number[][], [x, y]: [number, number]): number {
  const [[x0 = 0, y0 = 0] = [], [x1 = 0, y1 = 0] = []] = line;
  const [dx, dy] = [x1 - x0, y1 - y0];
  const t = Math.min(Math.max(((x - x0) * dx + (y - y0) * dy) / (dx * dx + dy * dy || 1), 0), 1);
  return Math.hypot(x - x0 - t * dx, y - y0 - t * dy);
}
/** Where the part in the air would go: which shaft, and before which of its parts. */
const gap = computed(() => {
  if (!drag.value?.on) return null;
  const own = props.shaftOf[drag.value.part];
  const near = [...lines.value].sort((a, b) => away(a.line, at.value) - away(b.line, at.value))[0];
  const home = lines.value.find((l) => l.shaft === own);
  const line = home && away(home.line, at.value) < 90 ? home : near;
  if (!line) return null;
  const upright = line.line[0]?.[0] === line.line[1]?.[0];
  const middle = (key: string) => {
    const b = boxes.value[key];
    return b ? (upright ? b.y0 + b.y1 : b.x0 + b.x1) / 2 : 0;
  };
  const here = upright ? at.value[1] : at.value[0];
  const others = Object.keys(props.shaftOf).filter(
    (k) => props.shaftOf[k] === line.shaft && k !== drag.value?.part && boxes.value[k],
  );
  const before = others.filter((k) => middle(k) > here).sort((a, b) => middle(a) - middle(b))[0] ?? null;
  const y = line.line[0]?.[1] ?? 0;
  const x = line.line[0]?.[0] ?? 0;
  return {
    shaft: line.shaft,
    before,
    mark: upright ? `M${x - 60} ${at.value[1]}H${x + 60}` : `M${at.value[0]} ${y - 60}V${y + 60}`,
  };
});
function up(part: string) {
  if (gap.value) emit("drop", part, gap.value.shaft, gap.value.before);
  else if (drag.value) emit("part", part);
  drag.value = null;
}
const chosen = computed(() => lines.value.find((l) => l.shaft === props.shaft));
const path = (points: number[][], closed: boolean) =>
  `M${points.map((p) => p.join(" ")).join("L")}${closed ? "Z" : ""}`;
</script>

<template>
  <g ref="svg" data-touch>
    <path
      v-if="chosen"
      :d="path(chosen.line, false)"
      fill="none"
      stroke="var(--move)"
      stroke-width="7"
      stroke-linecap="round"
      pointer-events="none"
      data-shaft-in-hand
    />
    <path
      v-for="l in lines"
      :key="`line ${l.shaft}`"
      :d="path(l.line, false)"
      fill="none"
      stroke="transparent"
      stroke-width="26"
      class="cursor-pointer"
      :data-shaft="l.shaft"
      @click="$emit('shaft', l.shaft)"
    />
    <rect
      v-for="l in scene.labels"
      :key="`name ${l.shaft}`"
      :x="l.x"
      :y="l.y - 12"
      :width="l.w"
      :height="l.h + 24"
      fill="transparent"
      class="cursor-pointer"
      :data-shaft-by-name="l.shaft"
      @click="$emit('shaft', l.shaft)"
    />
    <path
      v-for="(s, i) in shapes"
      :key="i"
      :d="path(s.points, true)"
      fill="transparent"
      :stroke="s.part === part ? 'var(--wanted-post)' : 'none'"
      stroke-width="4"
      class="cursor-grab touch-none"
      :data-part="s.part"
      @pointerdown="down($event, s.part)"
      @pointermove="move"
      @pointerup="up(s.part)"
      @pointercancel="drag = null"
    />
    <path v-if="gap" :d="gap.mark" fill="none" stroke="var(--wanted-post)" stroke-width="6" data-gap />
  </g>
</template>
