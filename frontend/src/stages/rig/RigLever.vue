<script setup lang="ts">
/** The pry bar: dragged, or stepped by keys and buttons; the same push each time, and no more. */
import { computed, ref } from "vue";

const props = defineProps<{ push: number; most: number; same: number; bent: boolean }>();
const emit = defineEmits<{ pull: [to: number]; step: [by: number]; take: [] }>();
const box = ref<SVGSVGElement | null>(null);
/** So many newtons for each px that the hand goes down. */
const PER_PX = 2.6;
let from: { y: number; push: number } | null = null;
function grab(event: PointerEvent) {
  from = { y: event.clientY, push: props.push };
  box.value?.setPointerCapture(event.pointerId);
}
function drag(event: PointerEvent) {
  if (from) emit("pull", from.push + (event.clientY - from.y) * PER_PX);
}
const tilt = computed(() => -14 + (props.push / props.most) * 24);
const words = computed(() =>
  props.bent
    ? "too hard: it bends, the needle lies"
    : props.push === props.same
      ? "the same push"
      : "same push each time",
);
</script>

<template>
  <div data-rig-lever>
    <div class="flex items-baseline justify-between gap-3">
      <h2 class="zone-head">Pry bar</h2>
      <span class="text-[15px] text-secondary">hold ↓, or drag it down</span>
      <span class="text-[15px]" :class="bent ? 'font-bold text-danger' : 'text-secondary'" data-lever-words>{{
        words
      }}</span>
    </div>
    <svg
      ref="box"
      viewBox="0 0 410 120"
      class="block w-full touch-none cursor-grab"
      role="slider"
      tabindex="0"
      aria-label="Pull on the pry bar, in newtons"
      :aria-valuenow="push"
      aria-valuemin="0"
      :aria-valuemax="most"
      :aria-valuetext="`${push} newton, ${words}`"
      @pointerdown="grab"
      @pointermove="drag"
      @pointerup="from = null"
      @pointercancel="from = null"
    >
      <line x1="0" x2="410" y1="118" y2="118" stroke="var(--found)" stroke-width="3" />
      <path
        d="M84 118 L98 82 H112 L126 118 Z"
        fill="var(--neutral)"
        stroke="var(--found)"
        stroke-width="2.5"
      />
      <rect
        x="4"
        y="22"
        width="74"
        height="44"
        fill="var(--neutral)"
        stroke="var(--found)"
        stroke-width="2.5"
      />
      <text x="41" y="50" font-size="17" font-weight="640" text-anchor="middle" fill="var(--words)">
        flange
      </text>
      <g :transform="`rotate(${tilt} 105 78)`">
        <rect
          x="24"
          y="72"
          width="240"
          height="11"
          fill="var(--neutral)"
          stroke="var(--found)"
          stroke-width="2.5"
        />
        <rect
          x="252"
          y="62"
          width="136"
          height="32"
          :fill="bent ? 'var(--danger)' : 'var(--move)'"
          :stroke="bent ? 'var(--danger)' : 'var(--move-edge)'"
          stroke-width="3"
        />
        <text
          x="320"
          y="84"
          font-size="20"
          font-weight="700"
          text-anchor="middle"
          :fill="bent ? 'var(--on-danger)' : 'var(--on-move, #111)'"
          data-push
        >
          {{ push }} N
        </text>
      </g>
    </svg>
    <div class="flex gap-2">
      <button
        type="button"
        class="control flex-1 px-1 text-[16px] whitespace-nowrap"
        data-less
        @click="$emit('step', -1)"
      >
        Less ↑
      </button>
      <button
        type="button"
        class="control flex-1 px-1 text-[16px] whitespace-nowrap"
        data-more
        @click="$emit('step', 1)"
      >
        More ↓
      </button>
      <button
        type="button"
        class="control flex-1 px-1 text-[16px] whitespace-nowrap"
        data-same
        @click="$emit('pull', same)"
      >
        {{ same }} N
      </button>
      <button
        type="button"
        class="control flex-1 px-1 text-[16px] whitespace-nowrap"
        data-let-go
        @click="$emit('pull', 0)"
      >
        Let go
      </button>
      <button
        type="button"
        class="control flex-1 px-1 text-[16px] whitespace-nowrap"
        data-take-pull
        @click="$emit('take')"
      >
        Take
      </button>
    </div>
  </div>
</template>
