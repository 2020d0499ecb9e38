<script setup lang="ts">
/** A cover from outside: its bolts in their order, what is tight, the next one, and where its mark belongs. */
import { computed } from "vue";
import type { TorqueView } from "../api/client";

const props = defineProps<{
  torque: TorqueView | null;
  /** The hour at which the mark belongs, 0 for none; whether it was seen there. */
  mark: number;
  seen: string;
  words: string;
  wrong: string;
}>();
const R = 176;
const n = computed(() => props.torque?.bolts ?? 0);
const big = computed(() => (n.value > 16 ? 18 : 24));
const at = (position: number, r = R) => {
  const a = (position / Math.max(1, n.value)) * 2 * Math.PI;
  return [280 + r * Math.sin(a), 270 - r * Math.cos(a)] as const;
};
const stages = computed(() => props.torque?.stages.length ?? 1);
const done = computed(() => props.torque?.done ?? 0);
const stage = computed(() => (n.value ? Math.min(stages.value - 1, Math.floor(done.value / n.value)) : 0));
const here = computed(() => done.value - stage.value * n.value);
const bolts = computed(() =>
  (props.torque?.order ?? []).map((position, i) => ({
    ...{ position, place: i + 1 },
    x: at(position)[0],
    y: at(position)[1],
    state: i < here.value ? "done" : i === here.value ? "next" : "to come",
    dots: Array.from({ length: stages.value }, (_, s) => {
      const spread = ((s - (stages.value - 1) / 2) * 14) / R;
      const a = (position / Math.max(1, n.value)) * 2 * Math.PI + spread;
      const full = s < stage.value || (s === stage.value && i < here.value);
      return { x: 280 + (R + 36) * Math.sin(a), y: 270 - (R + 36) * Math.cos(a), full };
    }),
  })),
);
const trace = (from: number, to: number) =>
  bolts.value
    .slice(from, to)
    .map((b, i) => `${i ? "L" : "M"}${b.x} ${b.y}`)
    .join("");
const next = computed(() => bolts.value[here.value]);
const last = computed(() => bolts.value[here.value - 1]);
const arc = computed(() => {
  const mid = (props.mark / 12) * 2 * Math.PI;
  const p = (a: number, r: number) => `${280 + r * Math.sin(a)} ${270 - r * Math.cos(a)}`;
  const w = (14 * Math.PI) / 180;
  return `M${p(mid - w, 222)}A222 222 0 0 1 ${p(mid + w, 222)}L${p(mid + w, 246)}A246 246 0 0 0 ${p(mid - w, 246)}Z`;
});
const spot = computed(() => {
  const a = (props.mark / 12) * 2 * Math.PI;
  return { x: 280 + 234 * Math.sin(a), y: 270 - 234 * Math.cos(a) };
});
const opposite = computed(() => {
  const a = (props.mark / 12) * 2 * Math.PI + Math.PI;
  return { x: 280 + 92 * Math.sin(a), y: 270 - 92 * Math.cos(a) };
});
const label = computed(() =>
  next.value
    ? `Bolt ${next.value.place} of ${n.value} is next, stage ${stage.value + 1} of ${stages.value}`
    : n.value
      ? "Every bolt is tight"
      : "The part from outside",
);
</script>

<template>
  <figure data-mark="bolts">
    <svg
      viewBox="20 20 520 504"
      class="mx-auto max-h-[430px] w-full max-w-[560px]"
      role="img"
      :aria-label="label"
    >
      <circle cx="280" cy="270" r="220" fill="var(--neutral)" stroke="var(--found)" stroke-width="3" />
      <circle cx="280" cy="270" r="112" fill="var(--cut)" stroke="var(--found)" stroke-width="2" />
      <circle cx="280" cy="270" r="58" fill="var(--surface)" stroke="var(--found)" stroke-width="3" />
      <circle cx="280" cy="270" r="40" fill="var(--bay)" stroke="var(--found)" stroke-width="3" />
      <template v-if="mark">
        <path :d="arc" fill="var(--wanted)" stroke="var(--wanted-post)" stroke-width="2.5" />
        <circle
          v-if="seen === 'right'"
          :cx="spot.x"
          :cy="spot.y"
          r="8"
          fill="var(--wanted-scribe)"
          data-seen
        />
        <rect
          v-if="wrong"
          :x="opposite.x - 12"
          :y="opposite.y - 22"
          width="24"
          height="44"
          rx="10"
          fill="none"
          stroke="var(--danger)"
          stroke-width="3"
          stroke-dasharray="5 4"
        />
      </template>
      <path :d="trace(0, here)" fill="none" stroke="var(--found)" stroke-width="3" />
      <path
        :d="trace(Math.max(0, here), bolts.length)"
        fill="none"
        stroke="var(--control)"
        stroke-width="1.5"
        stroke-dasharray="4 4"
      />
      <template v-if="next && last">
        <path :d="`M${last.x} ${last.y}L${next.x} ${next.y}`" stroke="var(--move-edge)" stroke-width="10" />
        <path :d="`M${last.x} ${last.y}L${next.x} ${next.y}`" stroke="var(--move)" stroke-width="6" />
      </template>
      <g v-for="b in bolts" :key="b.place" :data-bolt="b.place" :data-state="b.state">
        <circle
          v-for="(d, i) in b.dots"
          :key="i"
          :cx="d.x"
          :cy="d.y"
          r="5"
          :fill="d.full ? 'var(--found)' : 'var(--surface)'"
          stroke="var(--found)"
          stroke-width="1.5"
        />
        <circle
          :cx="b.x"
          :cy="b.y"
          :r="b.state === 'next' ? big + 8 : big"
          :fill="b.state === 'done' ? 'var(--found)' : b.state === 'next' ? 'var(--move)' : 'var(--surface)'"
          :stroke="b.state === 'next' ? 'var(--move-edge)' : 'var(--found)'"
          stroke-width="2.5"
        />
        <text
          v-if="n <= 16 || b.place % 2 || b.state === 'next'"
          :x="b.x"
          :y="b.y"
          text-anchor="middle"
          dominant-baseline="central"
          :font-size="b.state === 'next' ? 40 : n > 16 ? 20 : 28"
          font-weight="700"
          :fill="
            b.state === 'done' ? 'var(--surface)' : b.state === 'next' ? 'var(--move-edge)' : 'var(--found)'
          "
        >
          {{ b.place }}
        </text>
      </g>
    </svg>
    <figcaption class="flex flex-wrap items-end justify-between gap-3 px-5 pb-2 text-[16px]">
      <span v-if="n" class="text-secondary"
        ><b class="block text-words">Seen from outside.</b>Dots: {{ torque?.words.join(", ") }}</span
      >
      <span
        v-if="words"
        class="px-3 py-2 text-[19px] font-bold uppercase"
        :class="
          seen === 'right'
            ? 'bg-wanted text-white'
            : seen === 'wrong'
              ? 'bg-danger text-on-danger'
              : 'border-2 border-dashed'
        "
        >{{ words }}</span
      >
      <span v-if="wrong" class="basis-full text-[18px] font-bold text-danger">{{ wrong }}</span>
    </figcaption>
  </figure>
</template>
