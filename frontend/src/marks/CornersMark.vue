<script setup lang="ts">
/** The four corners of a flank on a photo of its tooth: dragged, or moved by arrows. */
import { ref } from "vue";

const corners = defineModel<[number, number][]>({ required: true });
defineProps<{ photo: { url: string; width: number; height: number } }>();
const NAMES = ["toe, root", "heel, root", "heel, tip", "toe, tip"];
const STEP = 0.005;
const sheet = ref<SVGSVGElement | null>(null);
const held = ref<number | null>(null);
function put(i: number, x: number, y: number) {
  const inside = (v: number) => Math.min(Math.max(v, 0), 1);
  corners.value = corners.value.map((c, k) => (k === i ? [inside(x), inside(y)] : c));
}
function drag(event: PointerEvent) {
  const box = sheet.value?.getBoundingClientRect();
  if (held.value === null || !box) return;
  put(held.value, (event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height);
}
const NUDGE: Record<string, [number, number]> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
};
function nudge(event: KeyboardEvent, i: number) {
  const by = NUDGE[event.key];
  const at = corners.value[i];
  if (!by || !at) return;
  put(i, at[0] + by[0], at[1] + by[1]);
  event.preventDefault();
  event.stopPropagation();
}
</script>

<template>
  <svg
    ref="sheet"
    :viewBox="`0 0 ${photo.width} ${photo.height}`"
    class="max-h-[360px] touch-none border-2"
    :style="{ aspectRatio: `${photo.width} / ${photo.height}`, width: 'auto', maxWidth: '100%' }"
    @pointermove="drag"
    @pointerup="held = null"
    @pointercancel="held = null"
  >
    <image :href="photo.url" :width="photo.width" :height="photo.height" />
    <polygon
      :points="corners.map(([x, y]) => `${x * photo.width},${y * photo.height}`).join(' ')"
      fill="none"
      stroke="var(--move)"
      :stroke-width="photo.width / 160"
    />
    <g v-for="([x, y], i) in corners" :key="i">
      <circle
        :cx="x * photo.width"
        :cy="y * photo.height"
        :r="photo.width / 34"
        fill="var(--surface)"
        fill-opacity="0.35"
        stroke="var(--move-edge)"
        :stroke-width="photo.width / 200"
        tabindex="0"
        role="slider"
        :aria-label="`Corner ${NAMES[i]}: arrows move it`"
        :aria-valuetext="`${Math.round(x * 100)} % across, ${Math.round(y * 100)} % down`"
        :data-corner="i"
        class="cursor-grab"
        @pointerdown="
          (e: PointerEvent) => {
            held = i;
            (e.currentTarget as Element).setPointerCapture(e.pointerId);
          }
        "
        @keydown="(e: KeyboardEvent) => nudge(e, i)"
      />
      <text
        :x="x * photo.width"
        :y="y * photo.height - photo.width / 30"
        :font-size="photo.width / 36"
        font-weight="680"
        text-anchor="middle"
        fill="var(--words)"
        stroke="var(--surface)"
        :stroke-width="photo.width / 140"
        paint-order="stroke"
      >
        {{ NAMES[i] }}
      </text>
    </g>
  </svg>
</template>
