<script setup lang="ts">
/** A photo of the marked tooth: chosen or taken, its flank's four corners set, laid under what is painted. */
import { computed, ref, toRef } from "vue";
import { api, unwrap } from "../../api/client";
import { useStrip } from "../strip/useStrip";

const props = defineProps<{ job: string; taper: number }>();
const emit = defineEmits<{ laid: [url: string]; mask: [mask: number[][]]; close: [] }>();
const desk = useStrip(toRef(props, "job"));
const NAMES = ["toe, root", "heel, root", "heel, tip", "toe, tip"];
const STEP = 0.005;
const corners = ref([
  [0.2, 0.7],
  [0.8, 0.75],
  [0.8, 0.3],
  [0.2, 0.35],
] as [number, number][]);
const picked = ref("");
const photos = computed(() => desk.view.value?.photos.filter((p) => !p.struck) ?? []);
const photo = computed(() => photos.value.find((p) => p.id === picked.value));
const asked = computed(() =>
  corners.value
    .flat()
    .map((v) => v.toFixed(4))
    .join(","),
);
const sheet = ref<SVGSVGElement | null>(null);
const held = ref<number | null>(null);
const trouble = ref("");

async function chosen(event: Event) {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (file && (await desk.photo(file, "", "marked tooth"))) picked.value = photos.value.at(-1)?.id ?? "";
  input.value = "";
}
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
function lay() {
  if (!photo.value) return;
  emit("laid", `${photo.value.url}/under-flank?corners=${asked.value}&taper=${props.taper}`);
}
async function paint(which: "lighter" | "darker") {
  if (!photo.value) return;
  const sha256 = photo.value.url.split("/").at(-1) ?? "";
  trouble.value = "";
  try {
    const query = { corners: asked.value };
    const found = await unwrap(
      api.GET("/api/photos/{sha256}/first-paint", { params: { path: { sha256 }, query } }),
    );
    lay();
    emit("mask", found[which]);
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : String(error);
  }
}
</script>

<template>
  <div class="mt-2 border-2 p-3" data-photo-under-panel>
    <div class="flex flex-wrap items-center gap-2">
      <button
        v-for="p in photos"
        :key="p.id"
        type="button"
        class="h-16 w-20 cursor-pointer border-2"
        :class="p.id === picked ? 'border-4 border-found' : 'border-control'"
        :aria-pressed="p.id === picked"
        :data-photo-pick="p.id"
        @click="picked = p.id"
      >
        <img :src="p.thumb" :alt="p.caption || 'photo'" class="h-full w-full object-cover" />
      </button>
      <label class="control"
        >Take or choose a photo<input
          type="file"
          accept="image/png,image/jpeg,image/webp"
          class="sr-only"
          data-photo-new
          @change="chosen"
      /></label>
      <button type="button" class="control" @click="$emit('close')">Close</button>
    </div>
    <template v-if="photo">
      <svg
        ref="sheet"
        :viewBox="`0 0 ${photo.width} ${photo.height}`"
        class="mt-2 max-h-[360px] w-full touch-none border-2"
        :style="{ aspectRatio: `${photo.width} / ${photo.height}`, width: 'auto', maxWidth: '100%' }"
        @pointermove="drag"
        @pointerup="held = null"
        @pointercancel="held = null"
      >
        <image :href="photo.url" :width="photo.width" :height="photo.height" />
        <polygon
          :points="corners.map(([x, y]) => `${x * photo!.width},${y * photo!.height}`).join(' ')"
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
      <div class="mt-2 flex flex-wrap gap-2">
        <button type="button" class="control" data-lay @click="lay">Lay it under</button>
        <button type="button" class="control" data-first="lighter" @click="paint('lighter')">
          Paint its lighter patch
        </button>
        <button type="button" class="control" data-first="darker" @click="paint('darker')">
          Paint its darker patch
        </button>
      </div>
      <p class="mt-1 text-secondary">A first paint only: look, and correct it by hand.</p>
    </template>
    <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
  </div>
</template>
