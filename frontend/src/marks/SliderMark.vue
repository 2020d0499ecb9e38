<script setup lang="ts">
/** An adjuster as a rule: a tick where the drawer reaches, tall for few shims handled; blue where all lands; its handle. */
import { computed, ref, watch } from "vue";
import type { WhatIfSlider } from "../api/client";
import { makeScale } from "../composables/useScale";
import { useWidth } from "../composables/useWidth";

const props = defineProps<{
  scene: WhatIfSlider;
  at: number;
  lands: boolean[];
  label: string;
  /** Takes the keys as soon as it is there. */ first?: boolean;
}>();
const emit = defineEmits<{ put: [place: number]; step: [by: number]; best: [] }>();
const HIGH = 44;
const TOP = 30;
const TALL = [26, 26, 17];
const box = ref<HTMLElement | null>(null);
const width = useWidth(box);
const x = computed(() => makeScale(props.scene.lo, props.scene.hi, 14, width.value - 14));
const places = computed(() =>
  props.scene.places.map((p, i) => ({ x: x.value(p.at), tall: TALL[p.handled] ?? 8, i })),
);
const here = computed(() => x.value(props.scene.places[props.at]?.at ?? props.scene.lo));
const now = computed(() => x.value(props.scene.places[props.scene.now]?.at ?? props.scene.lo));
/** Neighbouring places that land make one stretch. */
const blue = computed(() => {
  const runs: { from: number; to: number }[] = [];
  props.lands.forEach((lands, i) => {
    if (!lands) return;
    const at = places.value[i]?.x ?? 0;
    const last = runs.at(-1);
    if (last && props.lands[i - 1]) last.to = at;
    else runs.push({ from: at, to: at });
  });
  return runs;
});
const held = ref(false);
const sheet = ref<SVGSVGElement | null>(null);
watch(sheet, (drawn) => {
  if (drawn && props.first) drawn.focus({ preventScroll: true });
});
function drag(event: PointerEvent) {
  const left = sheet.value?.getBoundingClientRect().left;
  if (!held.value || left === undefined) return;
  const px = event.clientX - left;
  const nearest = places.value.reduce((a, b) => (Math.abs(b.x - px) < Math.abs(a.x - px) ? b : a));
  if (nearest.i !== props.at) emit("put", nearest.i);
}
const moves: Record<string, number> = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 };
function key(event: KeyboardEvent) {
  const by = moves[event.key];
  if (by) emit("step", by);
  else if (event.key === "Home") emit("best");
  else return;
  event.preventDefault();
  event.stopPropagation();
}
</script>

<template>
  <div ref="box" class="w-full" data-mark="slider" :data-slider="scene.key">
    <svg
      v-if="width"
      ref="sheet"
      :width="width"
      :height="TOP + HIGH + 26"
      class="block touch-none select-none overflow-visible focus-visible:-outline-offset-2"
      role="slider"
      tabindex="0"
      :aria-label="label"
      :aria-valuemin="0"
      :aria-valuemax="scene.places.length - 1"
      :aria-valuenow="at"
      :aria-valuetext="scene.places[at]?.label"
      @keydown="key"
      @pointerdown="
        (e: PointerEvent) => {
          held = true;
          (e.currentTarget as Element).setPointerCapture(e.pointerId);
          drag(e);
        }
      "
      @pointermove="drag"
      @pointerup="held = false"
      @pointercancel="held = false"
    >
      <rect
        :x="x(scene.lo)"
        :y="TOP"
        :width="x(scene.hi) - x(scene.lo)"
        :height="HIGH"
        fill="var(--neutral)"
      />
      <g v-for="(r, i) in blue" :key="i" data-lands>
        <rect :x="r.from - 3" :y="TOP" :width="r.to - r.from + 6" :height="HIGH" fill="var(--wanted)" />
        <line
          v-for="e in [r.from - 3, r.to + 3]"
          :key="e"
          :x1="e"
          :x2="e"
          :y1="TOP - 12"
          :y2="TOP + HIGH"
          stroke="var(--wanted-post)"
          stroke-width="2.5"
        />
      </g>
      <line
        v-for="p in places"
        :key="p.i"
        :x1="p.x"
        :x2="p.x"
        :y1="TOP + HIGH - p.tall"
        :y2="TOP + HIGH"
        :stroke="lands[p.i] ? 'var(--wanted-scribe)' : 'var(--found)'"
        :stroke-width="p.tall > 20 ? 2.5 : 1.4"
      />
      <line
        :x1="x(scene.lo)"
        :x2="x(scene.hi)"
        :y1="TOP + HIGH"
        :y2="TOP + HIGH"
        stroke="var(--found)"
        stroke-width="2"
      />
      <g font-size="15" font-weight="580" fill="var(--words)" text-anchor="middle">
        <text v-for="t in scene.ticks" :key="t.at" :x="x(t.at)" :y="TOP + HIGH + 20">{{ t.label }}</text>
      </g>
      <path :d="`M${now - 8} ${TOP - 15} h16 l-8 15 z`" fill="var(--found)" />
      <line :x1="now" :x2="now" y1="2" :y2="TOP - 14" stroke="var(--found)" stroke-width="3.5" />
      <g class="cursor-grab" data-handle>
        <rect
          :x="here - 22"
          :y="TOP - 6"
          width="44"
          :height="HIGH + 10"
          fill="var(--move)"
          stroke="var(--move-edge)"
          stroke-width="3"
        />
        <line
          v-for="k in [-7, 0, 7]"
          :key="k"
          :x1="here + k"
          :x2="here + k"
          :y1="TOP + 8"
          :y2="TOP + HIGH - 8"
          stroke="var(--move-edge)"
          stroke-width="2.5"
        />
      </g>
    </svg>
  </div>
</template>
