<script setup lang="ts">
/** Contact painted on a flank: finger or mouse, or arrows and Space. A stroke that starts on paint wipes. */
import { computed, ref, useId } from "vue";
import type { Flank } from "../api/client";
import FlankBody from "./FlankBody.vue";
import FlankPatches from "./FlankPatches.vue";
import { cellAt, cellPath, FLANK, flankOutline } from "./flankShape";

const mask = defineModel<number[][]>({ required: true });
/** `scene`: what is on this flank already, drawn beneath; `photo`: a picture of the marked tooth, laid under it. */
const props = defineProps<{ label: string; scene?: Flank; photo?: string }>();
const taper = computed(() => props.scene?.taper ?? FLANK.taper);
const cursor = ref<[number, number]>([6, 8]);
const focused = ref(false);
const stroke = ref<number | null>(null);
const svg = ref<SVGSVGElement | null>(null);
const painted = computed(() =>
  mask.value.flatMap((row, r) => row.flatMap((v, c) => (v ? [cellPath(r, c, taper.value)] : []))),
);
const share = computed(() => Math.round((painted.value.length / (FLANK.rows * FLANK.columns)) * 100));

function put(row: number, column: number, value: number) {
  if (mask.value[row]?.[column] === value) return;
  mask.value = mask.value.map((line, r) =>
    r === row ? line.map((v, c) => (c === column ? value : v)) : line,
  );
}
function at(event: PointerEvent): [number, number] | null {
  const box = svg.value?.getScreenCTM();
  if (!box) return null;
  const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(box.inverse());
  return cellAt(p.x, p.y, taper.value);
}
function down(event: PointerEvent) {
  const cell = at(event);
  if (!cell) return;
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  stroke.value = mask.value[cell[0]]?.[cell[1]] ? 0 : 1;
  brush(event);
}
/** A fingertip or a brush of marking compound covers about a cell each way. */
function brush(event: PointerEvent) {
  const cell = at(event);
  if (stroke.value === null || !cell) return;
  const value = stroke.value;
  mask.value = mask.value.map((line, r) =>
    line.map((v, c) => (Math.abs(r - cell[0]) <= 1 && Math.abs(c - cell[1]) <= 1 ? value : v)),
  );
}
const moves: Record<string, [number, number]> = {
  ArrowUp: [1, 0],
  ArrowDown: [-1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};
function key(event: KeyboardEvent) {
  const [row, column] = cursor.value;
  const move = moves[event.key];
  if (move) {
    const next: [number, number] = [
      Math.min(Math.max(row + move[0], 0), FLANK.rows - 1),
      Math.min(Math.max(column + move[1], 0), FLANK.columns - 1),
    ];
    cursor.value = next;
    if (event.shiftKey) put(...next, 1);
  } else if (event.key === " ") put(row, column, mask.value[row]?.[column] ? 0 : 1);
  else return;
  event.preventDefault();
  event.stopPropagation();
}
const clip = useId();
function focus() {
  svg.value?.focus();
}
defineExpose({ focus });
function wipe() {
  mask.value = mask.value.map((line) => line.map(() => 0));
}
</script>

<template>
  <figure class="min-w-0" data-painter>
    <figcaption class="mb-1 flex items-center justify-between gap-3">
      <span class="zone-head">{{ label }}</span>
      <span class="flex items-center gap-2"
        ><slot /><button type="button" class="control" :disabled="!painted.length" @click="wipe">
          Wipe clean
        </button></span
      >
    </figcaption>
    <svg
      ref="svg"
      viewBox="-40 -22 500 196"
      class="w-full cursor-crosshair touch-none select-none"
      tabindex="0"
      role="application"
      :aria-label="`${label}: paint the contact. Arrows move, Space paints, Shift with arrows paints on. ${share} % painted.`"
      @pointerdown="down"
      @pointermove="brush"
      @pointerup="stroke = null"
      @pointercancel="stroke = null"
      @keydown="key"
      @focus="focused = true"
      @blur="focused = false"
    >
      <defs>
        <clipPath :id="clip"><path :d="flankOutline(taper)" /></clipPath>
      </defs>
      <FlankBody :taper="taper" :reach="scene?.reach">
        <template v-if="photo" #under>
          <image
            :href="photo"
            :width="FLANK.width"
            :height="FLANK.height"
            preserveAspectRatio="none"
            :clip-path="`url(#${clip})`"
            data-photo-under
          />
        </template>
        <FlankPatches v-if="scene" :scene="scene" faint />
        <path
          v-for="(d, i) in painted"
          :key="i"
          :d="d"
          fill="var(--found)"
          stroke="var(--found)"
          stroke-width="1.5"
          :opacity="photo ? 0.6 : 1"
          data-painted
        />
        <path
          v-if="focused"
          :d="cellPath(...cursor, taper)"
          fill="none"
          stroke="var(--wanted-post)"
          stroke-width="3"
        />
      </FlankBody>
    </svg>
    <p class="text-secondary" aria-live="polite">{{ share }} % of the flank painted</p>
  </figure>
</template>
