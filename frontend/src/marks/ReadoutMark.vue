<script setup lang="ts">
/** The readout strip: one scale for every toleranced quantity. */
import { computed, ref, useId } from "vue";
import type { Readout } from "../api/client";
import { everyOther } from "../composables/everyOther";
import { placeWindowLabel } from "../composables/placeLabel";
import { makeScale } from "../composables/useScale";
import { useWidth } from "../composables/useWidth";
import { wrapWords } from "../composables/wrapWords";
import OutHatch from "./OutHatch.vue";
import ReadoutNeedle from "./ReadoutNeedle.vue";
import ReadoutWindow from "./ReadoutWindow.vue";

/** `live`: where the needle of a gauge stands now, taken by nobody yet. */
const props = defineProps<{
  scene: Readout;
  gutter?: number;
  small?: boolean;
  compact?: boolean;
  live?: number | null;
}>();
const hatch = useId();
const box = ref<HTMLElement | null>(null);
const width = useWidth(box);
const side = computed(() => (width.value < 560 ? 0 : (props.gutter ?? 0)));
const high = computed(() => (props.small ? 22 : props.compact && !props.scene.points?.length ? 40 : 54));
const PHONE = 560;
/** In a narrow bay value, verdict and give-or-take do not stand side by side. */
const wraps = computed(() => {
  const n = props.scene.needle;
  if (!n) return false;
  const verdict = props.scene.verdict_words.split(", ")[0] ?? "";
  return 18 * n.label.length + 11 * n.give_label.length + 66 + 11 * verdict.length > width.value;
});
const compactTop = computed(() => (!props.scene.needle ? 44 : wraps.value ? 108 : 80));
const top = computed(() =>
  props.small ? 14 : props.compact ? compactTop.value : width.value < PHONE ? 150 : 124,
);
/** The label in its gutter, line under line. */
const named = computed(() => wrapWords(props.scene.label, 14).slice(0, 4));
const base = computed(() => top.value + high.value);
const x = computed(() => makeScale(props.scene.lo, props.scene.hi, side.value + 12, width.value - 12));
const ticks = computed(() => props.scene.ticks.map((t) => ({ ...t, x: x.value(t.at) })));
const figures = computed(() => everyOther(ticks.value.filter((t) => t.label)));
const stacked = computed(() => {
  const seen = new Map<number, number>();
  for (const r of props.scene.readings) seen.set(r, (seen.get(r) ?? 0) + 1);
  return [...seen].map(([at, n]) => ({ x: x.value(at), long: n > 1 }));
});
const label = computed(() => placeWindowLabel(props.scene, x.value));
/** Away from the window in force, whose own words stand higher. */
const otherLabel = computed((): { x: number; anchor: "start" | "end" } => {
  const other = props.scene.window_not_in_force;
  if (!other) return { x: 0, anchor: "start" };
  const right = other.lo > (props.scene.window?.lo ?? 0);
  const [room, end] = [8 * other.label.length, x.value(props.scene.hi)];
  return right
    ? { x: Math.min(x.value(other.lo) + 4, end - room), anchor: "start" }
    : { x: Math.max(x.value(other.hi) - 4, side.value + room), anchor: "end" };
});
const inWindow = (at: number) => {
  const w = props.scene.window;
  return w !== null && at >= w.lo && at <= w.hi;
};
const spoken = computed(() => {
  const n = props.scene.needle;
  const value = n ? `${n.label} ${n.give_label}, ${props.scene.verdict_words}, ${n.words}` : "not read";
  return `${props.scene.label}: ${value}. Window ${props.scene.window?.label ?? "none"} ${props.scene.unit}.`;
});
</script>

<template>
  <div ref="box" class="relative z-1 w-full" data-mark="readout">
    <svg
      v-if="width > 0"
      :width="width"
      :height="base + (small ? 4 : 26)"
      role="img"
      :aria-label="spoken"
      class="block overflow-visible"
    >
      <g v-if="!small && side">
        <text
          v-for="(line, i) in named"
          :key="line"
          x="0"
          :y="top + 24 - 20 * (named.length - 1 - i)"
          :font-size="named.length > 2 ? 17 : 19"
          font-weight="680"
          fill="var(--words)"
        >
          {{ line }}
        </text>
        <text x="0" :y="top + 44" font-size="15" fill="var(--secondary)">{{ scene.unit }}</text>
      </g>
      <rect
        :x="x(scene.lo)"
        :y="top"
        :width="x(scene.hi) - x(scene.lo)"
        :height="high"
        fill="var(--neutral)"
      />
      <g v-if="scene.window_not_in_force && !small" data-other-window>
        <rect
          :x="x(scene.window_not_in_force.lo)"
          :y="top + 1"
          :width="x(scene.window_not_in_force.hi) - x(scene.window_not_in_force.lo)"
          :height="high - 2"
          fill="var(--surface)"
          stroke="var(--wanted-post)"
          stroke-width="2"
          stroke-dasharray="5 4"
        />
        <text
          :x="otherLabel.x"
          :y="top - 4"
          :text-anchor="otherLabel.anchor"
          font-size="15"
          font-weight="580"
          fill="var(--secondary)"
        >
          {{ scene.window_not_in_force.label }}
        </text>
      </g>
      <ReadoutWindow
        v-if="scene.window"
        :band="scene.window"
        :aim="scene.aim"
        :x="x"
        :top="top"
        :high="high"
        :small="small"
        :label="label"
      />
      <template v-if="scene.stop">
        <defs><OutHatch :id="hatch" /></defs>
        <rect
          :x="x(scene.stop.lo)"
          :y="top"
          :width="x(scene.stop.hi) - x(scene.stop.lo)"
          :height="high"
          :fill="`url(#${hatch})`"
        />
        <line
          :x1="x(scene.stop.lo)"
          :x2="x(scene.stop.lo)"
          :y1="top - 16"
          :y2="base"
          stroke="var(--danger)"
          stroke-width="3.5"
        />
        <text
          v-if="!small"
          :x="x(scene.stop.lo) + 5"
          :y="top - 6"
          font-size="15"
          font-weight="680"
          fill="var(--danger)"
        >
          {{ scene.stop.label }}
        </text>
      </template>
      <g v-for="(p, i) in small ? [] : (scene.points ?? [])" :key="p.label">
        <line :x1="x(p.at)" :x2="x(p.at)" :y1="top - 6" :y2="base" stroke="var(--found)" stroke-width="2.5" />
        <text
          :x="x(p.at) - 5"
          :y="top + 17 + 18 * (i % 2)"
          text-anchor="end"
          font-size="15"
          font-weight="640"
          fill="var(--words)"
          stroke="var(--neutral)"
          stroke-width="5"
          paint-order="stroke"
        >
          {{ p.label }}
        </text>
      </g>
      <g stroke="var(--found)">
        <line
          v-for="t in ticks"
          :key="t.at"
          :x1="t.x"
          :x2="t.x"
          :y1="base - (small ? 0 : t.label ? 15 : 7)"
          :y2="base"
          :stroke="inWindow(t.at) ? 'var(--wanted-scribe)' : 'var(--found)'"
          :stroke-width="t.label ? 1.6 : 1"
        />
        <line :x1="x(scene.lo)" :x2="x(scene.hi)" :y1="base" :y2="base" stroke-width="2" />
      </g>
      <g v-if="!small" font-size="15" font-weight="580" fill="var(--words)" text-anchor="middle" data-scale>
        <text v-for="t in figures" :key="t.at" :x="t.x" :y="base + 20">
          {{ t.label }}
        </text>
      </g>
      <g v-if="scene.landing">
        <rect
          :x="x(scene.landing.lo)"
          :y="base - (small ? 11 : 22)"
          :width="x(scene.landing.hi) - x(scene.landing.lo)"
          :height="small ? 8 : 15"
          fill="var(--move)"
          stroke="var(--move-edge)"
          stroke-width="2"
        />
        <line
          v-if="scene.landing.middle !== null"
          :x1="x(scene.landing.middle)"
          :x2="x(scene.landing.middle)"
          :y1="base - (small ? 13 : 29)"
          :y2="base - (small ? 1 : 0)"
          stroke="var(--move-edge)"
          stroke-width="3"
        />
      </g>
      <g v-if="!small" stroke="var(--found)" stroke-width="3">
        <line v-for="r in stacked" :key="r.x" :x1="r.x" :x2="r.x" :y1="top" :y2="top + (r.long ? 27 : 15)" />
      </g>
      <g v-if="typeof live === 'number'" data-live-needle>
        <line
          :x1="x(live)"
          :x2="x(live)"
          :y1="top - 12"
          :y2="base + 4"
          stroke="var(--found)"
          stroke-width="3"
          stroke-dasharray="6 4"
        />
        <circle :cx="x(live)" :cy="base" r="6" fill="var(--surface)" stroke="var(--found)" stroke-width="3" />
      </g>
      <ReadoutNeedle
        v-if="scene.needle"
        :scene="scene"
        :needle="scene.needle"
        :x="x"
        :top="top"
        :width="width"
        :gutter="side"
        :small="small"
        :compact="compact"
      />
    </svg>
  </div>
</template>
