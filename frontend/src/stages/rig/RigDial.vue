<script setup lang="ts">
/** The dial: it shows where the needle stands; how far it went the learner reads. */
import { useTransition, usePreferredReducedMotion } from "@vueuse/core";
import { computed, ref, watch } from "vue";

const props = defineProps<{
  push: number;
  needle: number;
  division: number;
  unit: string;
  turn: number;
  lies: boolean;
}>();
const R = 168;
const still = usePreferredReducedMotion();
const shown = useTransition(() => props.needle, {
  duration: 220,
  disabled: computed(() => still.value === "reduce"),
});
const MARKS = Array.from({ length: 100 }, (_, i) => i);
const degrees = (mm: number) => (mm / props.turn) * 360;
const spot = (deg: number, r: number) => {
  const a = ((deg - 90) * Math.PI) / 180;
  return { x: 184 + r * Math.cos(a), y: 184 + r * Math.sin(a) };
};
const hand = computed(() => degrees(shown.value));
/** The way of the needle, once round at most, without a number. */
const arc = computed(() => {
  const to = Math.min(hand.value, 359);
  if (to < 4) return "";
  const [a, b] = [spot(0, 96), spot(to, 96)];
  return `M${a.x} ${a.y} A96 96 0 ${to > 180 ? 1 : 0} 1 ${b.x} ${b.y}`;
});
/** Said once it stands: in divisions, as one reads a dial. */
const said = ref("");
let timer = 0;
watch(
  () => [props.needle, props.push] as const,
  ([mm, push]) => {
    window.clearTimeout(timer);
    const divisions = Math.round((mm / props.division) * 2) / 2;
    const turns = Math.floor(divisions / 100);
    const words = `${turns ? `${turns} turn${turns > 1 ? "s" : ""} and ` : ""}${divisions % 100} divisions`;
    timer = window.setTimeout(() => (said.value = `At ${push} newton the needle stands at ${words}.`), 350);
  },
);
</script>

<template>
  <div class="relative mx-auto w-full max-w-[290px]" data-mark="rig-dial">
    <svg
      viewBox="0 0 368 368"
      class="block w-full"
      role="img"
      :aria-label="said || 'The needle stands at zero.'"
    >
      <circle cx="184" cy="184" :r="R + 8" fill="var(--bay)" stroke="var(--found)" stroke-width="2.5" />
      <circle cx="184" cy="184" :r="R" fill="var(--surface)" stroke="var(--found)" stroke-width="2.5" />
      <g stroke="var(--found)">
        <line
          v-for="i in MARKS"
          :key="i"
          :x1="spot(i * 3.6, R).x"
          :y1="spot(i * 3.6, R).y"
          :x2="spot(i * 3.6, R - (i % 10 ? (i % 5 ? 8 : 12) : 18)).x"
          :y2="spot(i * 3.6, R - (i % 10 ? (i % 5 ? 8 : 12) : 18)).y"
          :stroke-width="i % 10 ? 1.2 : 2.4"
        />
      </g>
      <g font-size="24" font-weight="680" fill="var(--words)" text-anchor="middle">
        <text
          v-for="i in 10"
          :key="i"
          :x="spot((i - 1) * 36, R - 36).x"
          :y="spot((i - 1) * 36, R - 36).y + 8"
        >
          {{ (i - 1) * 10 }}
        </text>
      </g>
      <text x="184" y="262" font-size="18" font-weight="580" fill="var(--secondary)" text-anchor="middle">
        {{ division }} {{ unit }}
      </text>
      <line
        x1="184"
        y1="184"
        x2="184"
        :y2="184 - R + 50"
        stroke="var(--found)"
        stroke-width="1.5"
        stroke-dasharray="4 4"
      />
      <template v-if="arc">
        <path :d="arc" fill="none" stroke="var(--move-edge)" stroke-width="9" />
        <path :d="arc" fill="none" stroke="var(--move)" stroke-width="5" />
      </template>
      <g :transform="`rotate(${hand} 184 184)`">
        <path
          :d="`M184 ${184 - R + 16} L180 150 L178 214 H190 L188 150 Z`"
          :fill="lies ? 'var(--danger)' : 'var(--found)'"
        />
      </g>
      <circle cx="184" cy="184" r="10" fill="var(--found)" />
    </svg>
    <p class="sr-only" aria-live="polite" data-needle-said>{{ said }}</p>
  </div>
</template>
