<script setup lang="ts">
/** A gauge's face: its own scale outside, the push of this ram inside, what is wanted, where it must stop. */
import { computed, useId } from "vue";
import type { Scene } from "../api/client";
import OutHatch from "./OutHatch.vue";

const props = defineProps<{ scene: Extract<Scene, { type: "dial" }> }>();
const hatch = useId();
const C = 200;
const RIM: [number, number] = [134, 164];
const angle = (at: number) => {
  const [from = 0, to = 0] = props.scene.sweep;
  const share = (at - props.scene.lo) / (props.scene.hi - props.scene.lo);
  return ((from + (to - from) * Math.min(1, Math.max(0, share))) * Math.PI) / 180;
};
const point = (at: number, r: number) => [C + r * Math.sin(angle(at)), C - r * Math.cos(angle(at))] as const;
function arc(lo: number, hi: number, inner: number, outer: number): string {
  const long = Number(angle(hi) - angle(lo) > Math.PI);
  const p = (at: number, r: number) => point(at, r).join(" ");
  return `M${p(lo, outer)}A${outer} ${outer} 0 ${long} 1 ${p(hi, outer)}L${p(hi, inner)}A${inner} ${inner} 0 ${long} 0 ${p(lo, inner)}Z`;
}
const spoken = computed(() => {
  const s = props.scene;
  return `${s.label}, ${s.unit}: wanted ${s.window?.label ?? "not said"}, red line ${s.stop?.label ?? "not known"}`;
});
</script>

<template>
  <svg
    viewBox="16 14 368 350"
    class="mx-auto w-full max-w-[380px]"
    role="img"
    :aria-label="spoken"
    data-mark="gauge-face"
  >
    <defs><OutHatch :id="hatch" /></defs>
    <path
      :d="arc(scene.lo, scene.hi, ...RIM)"
      fill="var(--neutral)"
      stroke="var(--found)"
      stroke-width="2.5"
    />
    <path v-if="scene.window" :d="arc(scene.window.lo, scene.window.hi, ...RIM)" fill="var(--wanted)" />
    <path
      v-if="scene.stop"
      :d="arc(scene.stop.lo, scene.stop.hi, ...RIM)"
      :fill="`url(#${hatch})`"
      stroke="var(--danger)"
      stroke-width="2"
    />
    <g stroke="var(--found)">
      <path
        v-for="t in scene.ticks"
        :key="t.at"
        :d="`M${point(t.at, RIM[1]).join(' ')}L${point(t.at, t.label ? 150 : 157).join(' ')}`"
        :stroke-width="t.label ? 2 : 1.2"
      />
    </g>
    <g font-size="20" font-weight="690" text-anchor="middle" dominant-baseline="central">
      <text
        v-for="t in scene.ticks.filter((x) => x.label)"
        :key="t.at"
        :x="point(t.at, 114)[0]"
        :y="point(t.at, 114)[1]"
        :fill="scene.stop && t.at >= scene.stop.lo ? 'var(--danger)' : 'var(--words)'"
      >
        {{ t.label }}
      </text>
    </g>
    <g font-size="15" text-anchor="middle" dominant-baseline="central" fill="var(--secondary)">
      <text v-for="t in scene.inner" :key="t.at" :x="point(t.at, 76)[0]" :y="point(t.at, 76)[1]">
        {{ t.label }}
      </text>
    </g>
    <template v-if="scene.stop">
      <path
        :d="`M${point(scene.stop.lo, 128).join(' ')}L${point(scene.stop.lo, 174).join(' ')}`"
        stroke="var(--danger)"
        stroke-width="4"
      />
    </template>
    <path
      v-if="scene.needle !== null"
      :d="`M${C} ${C}L${point(scene.needle, 128).join(' ')}`"
      stroke="var(--found)"
      stroke-width="6"
    />
    <circle v-if="scene.needle !== null" :cx="C" :cy="C" r="10" fill="var(--found)" />
    <text :x="C" :y="C + 44" text-anchor="middle" font-size="17" font-weight="690" fill="var(--words)">
      {{ scene.unit }}
    </text>
    <text :x="C" :y="C + 64" text-anchor="middle" font-size="15" fill="var(--secondary)">
      inside: {{ scene.inner_unit }}
    </text>
  </svg>
</template>
