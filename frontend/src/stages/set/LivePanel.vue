<script setup lang="ts">
/** What a gauge that talks shows at the live station: its value, its last seconds, and what stands in the way. */
import { computed } from "vue";
import type { LiveGauge } from "../../api/client";
import TraceMark from "../../marks/TraceMark.vue";

/** `hint`: nothing was taken here yet, so it is said how. */
const props = defineProps<{ gauge: LiveGauge; name?: boolean; refused?: string; hint?: boolean }>();
defineEmits<{ press: []; unit: [unit: string] }>();
const HOW: Record<string, string> = {
  pry: "Pull till it stops, let go: it is taken",
  turn: "Turn once round, let it rest: it is taken",
  still: "Let it rest, then Space",
};
const words = computed(
  () => props.refused || props.gauge.says.words || (props.hint ? HOW[props.gauge.motion] : ""),
);
</script>

<template>
  <div class="mt-1 border-2 bg-surface" :data-live-gauge="gauge.says.state">
    <div class="flex items-stretch">
      <div class="flex w-[124px] shrink-0 flex-col justify-center px-2 py-1">
        <span v-if="name" class="truncate text-[15px]">{{ gauge.name }}</span>
        <span class="text-[28px] leading-none font-bold tabular-nums" data-live-value>{{
          gauge.shown || "–"
        }}</span>
      </div>
      <TraceMark
        class="min-w-0 flex-1 border-l-2"
        :points="gauge.wave"
        :lo="gauge.lo"
        :hi="gauge.hi"
        :width="180"
        :height="46"
      />
      <button
        type="button"
        class="control shrink-0 border-y-0 border-r-0 px-2 text-[15px]"
        data-press
        @click="$emit('press')"
      >
        {{ gauge.motion === "turn" ? "Zero" : "Take" }}<span class="keycap">Space</span>
      </button>
    </div>
    <div v-if="gauge.says.asks.length" class="border-t-2 px-2 py-1" role="alert">
      <p class="text-[15px] font-bold text-danger">{{ gauge.says.words }}</p>
      <button
        v-for="[unit, label] in gauge.says.asks"
        :key="unit"
        type="button"
        class="control mt-1 mr-2"
        :data-unit="unit"
        @click="$emit('unit', unit ?? '')"
      >
        It is {{ label }}
      </button>
    </div>
    <p
      v-else-if="words"
      class="border-t-2 px-2 py-0.5 text-[15px] leading-snug"
      :class="{ 'font-bold text-danger': refused || ['silent', 'unreachable'].includes(gauge.says.state) }"
      :role="refused || gauge.says.words ? 'status' : undefined"
      data-live-words
    >
      {{ words }}
    </p>
  </div>
</template>
