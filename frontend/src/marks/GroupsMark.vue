<script setup lang="ts">
/** Windows of one quantity under each other on one scale, and what was measured laid through them all. */
import { computed, ref } from "vue";
import type { Scene } from "../api/client";
import { makeScale } from "../composables/useScale";
import { useWidth } from "../composables/useWidth";

const props = defineProps<{ scene: Extract<Scene, { type: "groups" }>; gutter?: number }>();
const ROW = 38;
const box = ref<HTMLElement | null>(null);
const width = useWidth(box);
const x = computed(() => makeScale(props.scene.lo, props.scene.hi, 76, width.value - 14));
const top = computed(() => (props.scene.needle ? 44 : 8));
const base = computed(() => top.value + ROW * props.scene.rows.length);
const laid = computed(() => {
  const n = props.scene.needle;
  return n
    ? { lo: x.value(n.at - n.give), hi: x.value(n.at + n.give), at: x.value(n.at), label: n.label }
    : null;
});
const spoken = computed(() => {
  const rows = props.scene.rows.map((r) => `${r.name} ${r.words}${r.stamped ? ", stamped" : ""}`).join("; ");
  return `${props.scene.label}: ${rows}. ${props.scene.needle ? `Measured ${props.scene.needle.label}` : "Not measured"}.`;
});
</script>

<template>
  <div ref="box" class="w-full" data-mark="groups">
    <h3 class="zone-head">{{ scene.label }}, {{ scene.unit }}</h3>
    <svg
      v-if="width > 0"
      :width="width"
      :height="base + 30"
      role="img"
      :aria-label="spoken"
      class="block overflow-visible"
    >
      <rect
        :x="x(scene.lo)"
        :y="top"
        :width="x(scene.hi) - x(scene.lo)"
        :height="base - top"
        fill="var(--neutral)"
      />
      <g v-for="(r, i) in scene.rows" :key="r.name" :data-group="r.name" :data-code="r.code">
        <rect
          :x="x(r.lo)"
          :y="top + ROW * i + 5"
          :width="x(r.hi) - x(r.lo)"
          :height="ROW - 10"
          :fill="r.stamped ? 'var(--wanted)' : 'var(--wanted-tint)'"
          stroke="var(--wanted-post)"
          stroke-width="2.5"
        />
        <text
          x="66"
          :y="top + ROW * i + 26"
          text-anchor="end"
          font-size="19"
          :font-weight="r.stamped || r.code === 'in' ? 720 : 560"
          fill="var(--words)"
        >
          {{ r.name }}
        </text>
        <text
          :x="x(r.hi) + 8 + 110 < width ? x(r.hi) + 8 : x(r.lo) - 8"
          :y="top + ROW * i + 25"
          :text-anchor="x(r.hi) + 8 + 110 < width ? 'start' : 'end'"
          font-size="16"
          fill="var(--words)"
        >
          {{ r.words }}
        </text>
      </g>
      <g v-if="laid" stroke="var(--found)">
        <rect
          :x="laid.lo"
          :y="top - 6"
          :width="Math.max(laid.hi - laid.lo, 3)"
          :height="base - top + 6"
          fill="var(--found)"
          fill-opacity="0.16"
          stroke-width="2"
        />
        <line :x1="laid.at" :x2="laid.at" :y1="top - 12" :y2="base" stroke-width="3" />
        <text
          :x="laid.at"
          :y="top - 18"
          text-anchor="middle"
          font-size="20"
          font-weight="720"
          stroke="none"
          fill="var(--words)"
        >
          {{ laid.label }}
        </text>
      </g>
      <line
        :x1="x(scene.lo)"
        :x2="x(scene.hi)"
        :y1="base"
        :y2="base"
        stroke="var(--found)"
        stroke-width="2"
      />
      <g v-for="t in scene.ticks" :key="t.at">
        <line
          :x1="x(t.at)"
          :x2="x(t.at)"
          :y1="base - 8"
          :y2="base"
          stroke="var(--found)"
          stroke-width="1.5"
        />
        <text :x="x(t.at)" :y="base + 20" font-size="15" text-anchor="middle" fill="var(--words)">
          {{ t.label }}
        </text>
      </g>
    </svg>
  </div>
</template>
