<script setup lang="ts">
/** The wanted stretch: blued fill between posts, the aim scribed through it. */
import { computed } from "vue";
import type { Band } from "../api/client";
import type { LabelPlace } from "../composables/placeLabel";
import type { Scale } from "../composables/useScale";
import WindowPosts from "./WindowPosts.vue";

const props = defineProps<{
  band: Band;
  aim: number | null;
  x: Scale;
  top: number;
  high: number;
  small?: boolean;
  label: LabelPlace;
}>();
const left = computed(() => props.x(props.band.lo));
const right = computed(() => props.x(props.band.hi));
const rise = computed(() => (props.small ? 6 : 16));
</script>

<template>
  <g>
    <rect :x="left" :y="top" :width="right - left" :height="high" fill="var(--wanted)" />
    <WindowPosts :band="band" :x="x" :top="top - rise" :bottom="top + high" />
    <template v-if="!small">
      <g v-if="aim !== null">
        <line
          :x1="x(aim)"
          :x2="x(aim)"
          :y1="top"
          :y2="top + high"
          stroke="var(--wanted-scribe)"
          stroke-width="2"
        />
        <path :d="`M${x(aim) - 7} ${top - 13} h14 l-7 11 z`" fill="var(--wanted-post)" />
      </g>
      <text
        data-limits
        :x="label.x"
        :y="top - (label.raised ? 36 : 22)"
        :text-anchor="label.anchor"
        fill="var(--words)"
        font-size="18"
        font-weight="680"
        paint-order="stroke"
        stroke="var(--casing, var(--surface))"
        stroke-width="5"
      >
        <tspan v-if="!label.bare" font-size="15" font-weight="540" fill="var(--secondary)">window </tspan
        >{{ band.label }}
      </text>
    </template>
  </g>
</template>
