<script setup lang="ts">
/** The line lying down in the header: ink up to here, the block where it stands, posts at the holds. */
import { computed } from "vue";
import { RouterLink } from "vue-router";
import type { PlanView } from "../../api/client";

const props = defineProps<{ view: PlanView; here: number }>();
const WIDE = 616;
const x = (n: number) => (n / Math.max(1, props.view.steps.length)) * WIDE;
const holds = computed(() =>
  props.view.steps.filter((s) => (s.step.hold || s.step.setting) && s.number > props.here),
);
</script>

<template>
  <RouterLink :to="`/jobs/${view.job.id}/plan`" class="hidden self-end lg:block">
    <span class="sr-only">Step {{ here }} of {{ view.steps.length }}, to the plan</span>
    <svg :viewBox="`-2 0 ${WIDE + 20} 54`" width="560" height="54" aria-hidden="true">
      <text x="6" y="18" font-size="16" font-weight="600" fill="var(--words)">{{ view.done }} are in</text>
      <path
        v-for="s in view.steps"
        :key="s.key"
        :d="`M${x(s.number - 1)} 52V${s.number % 5 === 1 ? 30 : 40}`"
        stroke="var(--found)"
        stroke-width="2"
      />
      <path
        v-for="s in holds"
        :key="`h${s.key}`"
        :d="`M${x(s.number) - 7} 4V16H${x(s.number) + 7}V4`"
        fill="none"
        stroke="var(--found)"
        stroke-width="2.5"
      />
      <path :d="`M0 51H${WIDE}`" stroke="var(--found)" stroke-width="2" />
      <path :d="`M0 50H${x(here - 1)}`" stroke="var(--found)" stroke-width="6" />
      <rect :x="x(here) - 18" y="14" width="34" height="40" fill="var(--here)" />
      <text
        :x="x(here) - 1"
        y="41"
        text-anchor="middle"
        font-size="22"
        font-weight="700"
        fill="var(--on-here)"
      >
        {{ here }}
      </text>
    </svg>
  </RouterLink>
</template>
