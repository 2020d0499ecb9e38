<script setup lang="ts">
/** Teardowns so far on a rule, the best possible in blue. */
import { computed, ref } from "vue";
import type { RigView } from "../../api/client";
import { makeScale } from "../../composables/useScale";
import { useWidth } from "../../composables/useWidth";

const props = defineProps<{ score: RigView["score"] }>();
const box = ref<HTMLElement | null>(null);
const width = useWidth(box);
const x = computed(() => makeScale(0, props.score.most, 8, Math.max(width.value - 12, 60)));
const marks = computed(() => Array.from({ length: props.score.most + 1 }, (_, i) => i));
/** As good as the best is whatever stays under so much more. */
const best = computed(() => ({
  from: x.value(props.score.best),
  to: x.value(props.score.best + props.score.slack),
}));
const spoken = computed(
  () => `${props.score.value} teardowns so far, ${props.score.words}. Best possible ${props.score.best}.`,
);
</script>

<template>
  <div class="flex flex-wrap items-center gap-x-4 border-b-2 px-5 py-2" data-rig-score>
    <div class="w-[116px] shrink-0">
      <h2 class="text-[19px] leading-tight font-bold">Teardowns</h2>
      <p class="text-[15px] leading-tight text-secondary">
        best possible <b class="text-words">{{ score.best }}</b>
      </p>
    </div>
    <div ref="box" class="min-w-[220px] flex-1">
      <svg
        v-if="width > 0"
        :width="width"
        height="78"
        role="img"
        :aria-label="spoken"
        class="block overflow-visible"
      >
        <rect :x="x(0)" y="26" :width="x(score.most) - x(0)" height="28" fill="var(--neutral)" />
        <rect :x="best.from" y="26" :width="best.to - best.from" height="28" fill="var(--wanted)" />
        <line :x1="best.from" :x2="best.from" y1="18" y2="54" stroke="var(--wanted-post)" stroke-width="3" />
        <g stroke="var(--found)" stroke-width="2">
          <line :x1="x(0)" :x2="x(score.most)" y1="54" y2="54" />
          <line v-for="m in marks" :key="m" :x1="x(m)" :x2="x(m)" y1="44" y2="54" stroke-width="1.6" />
        </g>
        <g font-size="15" font-weight="580" fill="var(--words)" text-anchor="middle">
          <text v-for="m in marks" :key="m" :x="x(m)" y="73">{{ m }}</text>
        </g>
        <g class="needle-moves">
          <line
            :x1="x(score.value)"
            :x2="x(score.value)"
            y1="2"
            y2="22"
            stroke="var(--found)"
            stroke-width="3.5"
          />
          <path :d="`M${x(score.value) - 8} 14 h16 l-8 14 z`" fill="var(--found)" />
        </g>
      </svg>
    </div>
    <div class="flex w-[196px] shrink-0 items-center gap-3">
      <span class="text-[56px] leading-none font-bold" data-score>{{ score.value }}</span>
      <span class="text-[15px] leading-tight"
        ><b class="block">so far</b>{{ score.words
        }}<span v-if="score.asks || score.looks" class="block text-secondary"
          >{{ score.asks ? `${score.asks} asked` : "" }}{{ score.asks && score.looks ? ", " : ""
          }}{{ score.looks ? `${score.looks} × 0.1` : "" }}</span
        ></span
      >
    </div>
  </div>
</template>
