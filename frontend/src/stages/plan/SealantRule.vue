<script setup lang="ts">
/** A sealant's open time running down: counted from the stored start, never from the screen. */
import { useIntervalFn } from "@vueuse/core";
import { computed, ref } from "vue";
import RuleTicks from "./RuleTicks.vue";

const props = defineProps<{ begun: string; minutes: number; turns: number; left: number; skew: number }>();
const now = ref(Date.now());
useIntervalFn(() => (now.value = Date.now()), 1000);
const WIDE = 640;
const gone = computed(() => (props.begun ? (now.value + props.skew - Date.parse(props.begun)) / 60000 : 0));
const hi = computed(() => props.minutes * 1.2);
const x = (minutes: number) => (Math.min(minutes, hi.value) / hi.value) * WIDE;
const rest = computed(() => Math.max(0, props.minutes - gone.value));
const clock = computed(() => {
  const seconds = Math.floor(rest.value * 60);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
});
/** At this pace the last bolt is tight so many minutes after the first bead. */
const landing = computed(() =>
  props.begun && props.turns > 2 && props.left > 0 ? gone.value * (1 + props.left / props.turns) : null,
);
const over = computed(() => props.begun !== "" && rest.value <= 0);
</script>

<template>
  <section class="border-b-2 px-5 py-1.5" aria-label="Sealant" data-sealant>
    <p class="flex items-baseline gap-4">
      <b class="zone-head">Sealant</b>
      <b class="text-[52px] leading-none" :class="over ? 'text-danger' : ''" role="timer">{{
        over ? "SKINNED" : begun ? clock : `${minutes} min`
      }}</b>
      <span class="text-[18px] font-semibold">{{
        over ? "wipe off and start again" : begun ? "left to close" : "open, from the first bead"
      }}</span>
    </p>
    <svg
      :viewBox="`-6 -18 ${WIDE + 12} 92`"
      class="max-h-[92px] w-full"
      role="img"
      :aria-label="`${clock} left of ${minutes} min`"
    >
      <rect x="0" y="0" :width="WIDE" height="46" fill="var(--neutral)" />
      <rect x="0" y="0" :width="x(minutes)" height="46" fill="var(--wanted)" />
      <path :d="`M${x(minutes)} -14V46`" stroke="var(--wanted-post)" stroke-width="2.5" />
      <g v-if="landing !== null">
        <rect
          :x="x(landing) - 18"
          y="22"
          width="36"
          height="15"
          fill="var(--move)"
          stroke="var(--move-edge)"
          stroke-width="2"
        />
        <path :d="`M${x(landing)} 15V44`" stroke="var(--move-edge)" stroke-width="2.5" />
      </g>
      <g v-if="begun" :fill="over ? 'var(--danger)' : 'var(--found)'">
        <path :d="`M${x(gone) - 8} -16h16l-8 15z`" />
        <rect :x="x(gone) - 1.75" y="-16" width="3.5" height="16" />
      </g>
      <RuleTicks :hi="hi" :wide="WIDE" :steps="[1, 2, 5, 10, 15, 30, 60]" :most="10" />
    </svg>
  </section>
</template>
