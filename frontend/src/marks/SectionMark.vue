<script setup lang="ts">
/** The unit in schematic section; every flag is a place that can be tapped. */
import { computed } from "vue";
import type { Section } from "../api/client";
import SectionFlagMark from "./SectionFlagMark.vue";

const props = defineProps<{
  scene: Section;
  here?: string | null;
  /** By part: `out` is still to come and dashed, `hand` is what the move handles. */
  states?: Record<string, string>;
  /** Drawn close: the sheet is cut to the unit, without room for flags. */
  close?: boolean;
}>();
const sheet = computed(() => {
  if (!props.close) return `0 0 ${props.scene.width} ${props.scene.height}`;
  const points = props.scene.shapes.flatMap((s) => s.points);
  const xs = points.map((p) => p[0] ?? 0);
  const ys = points.map((p) => p[1] ?? 0);
  const [x, y] = [Math.min(...xs) - 4, Math.min(...ys) - 4];
  return `${x} ${y} ${Math.max(...xs) - x + 4} ${Math.max(...ys) - y + 4}`;
});
/** A unit in section wants its whole width; a figure of one thing fits a bay as it is. */
const FIGURE = 500;
const size = computed(() => {
  if (props.scene.width < FIGURE) return "max-h-[206px] w-full max-w-[360px]";
  return props.close ? "max-h-[300px] w-full" : "w-full max-md:min-w-[760px]";
});
/** A sheet wider than usual keeps its size and is moved along. */
const USUAL = 880;
const LEAST = 0.87;
const wide = computed(() =>
  !props.close && props.scene.width > USUAL ? { minWidth: `${props.scene.width * LEAST}px` } : undefined,
);
defineEmits<{ pick: [place: string] }>();
const clashing = computed(() => new Set(props.scene.clash));
const edge = (part: string) => (clashing.value.has(part) ? "var(--danger)" : "var(--found)");
const fills: Record<string, string> = {
  cut: "fill-cut",
  half: "fill-cut",
  part: "fill-neutral",
  shaft: "fill-neutral",
  race: "fill-surface",
  roller: "fill-row",
  seal: "fill-found",
  shim: "fill-surface",
};
function fill(role: string, part: string, moved: string[]): string {
  const state = props.states?.[part];
  if (state === "hand" || (role === "shim" && moved.includes(part))) return "fill-move";
  return state === "out" ? "fill-none" : (fills[role] ?? "fill-none");
}
const dash = (part: string) => (props.states?.[part] === "out" ? "5 4" : undefined);
const path = (points: number[][], closed: boolean) =>
  `M${points.map((p) => p.join(" ")).join("L")}${closed ? "Z" : ""}`;
</script>

<template>
  <figure v-if="scene.shapes.length" class="overflow-x-auto" data-mark="section">
    <svg :viewBox="sheet" :class="size" :style="wide" role="group" :aria-label="scene.label">
      <defs>
        <pattern
          id="cut-hatch"
          width="9"
          height="9"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 0V9" stroke="var(--control)" stroke-width="1.4" />
        </pattern>
        <pattern
          id="half-hatch"
          width="9"
          height="9"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(-45)"
        >
          <path d="M0 0V9" stroke="var(--control)" stroke-width="1.4" />
        </pattern>
      </defs>
      <template v-for="(s, i) in scene.shapes" :key="i">
        <path
          v-if="s.closed"
          :d="path(s.points, true)"
          :class="fill(s.role, s.part, scene.moved)"
          :stroke="edge(s.part)"
          :stroke-width="clashing.has(s.part) ? 4 : s.role === 'shim' ? 1.2 : 2.2"
          :data-clash="clashing.has(s.part) ? s.part : undefined"
          :stroke-dasharray="dash(s.part)"
          stroke-linejoin="miter"
        />
        <path
          v-if="s.role === 'cut' || s.role === 'half'"
          :d="path(s.points, true)"
          :fill="`url(#${s.role}-hatch)`"
        />
        <path
          v-if="!s.closed"
          :d="path(s.points, false)"
          fill="none"
          :stroke="s.role === 'centre' ? 'var(--control)' : 'var(--found)'"
          stroke-width="1.5"
          :stroke-dasharray="s.role === 'centre' ? '12 4 2 4' : undefined"
        />
      </template>
      <g v-for="(line, i) in scene.flow" :key="`flow ${i}`" data-flow>
        <path :d="path(line, false)" fill="none" stroke="var(--bay)" stroke-width="12" />
        <path :d="path(line, false)" fill="none" stroke="var(--found)" stroke-width="7" />
        <path :d="path(line, false)" fill="none" stroke="var(--move)" stroke-width="3" class="power-flow" />
      </g>
      <template v-for="(l, i) in scene.labels" :key="`to ${i}`">
        <path
          v-if="l.leader.length"
          :d="path(l.leader, false)"
          fill="none"
          stroke="var(--secondary)"
          stroke-width="1.2"
          aria-hidden="true"
        />
      </template>
      <slot />
      <text
        v-for="(l, i) in scene.labels"
        :key="`name ${i}`"
        :x="l.x + 4"
        :y="l.y + l.h * 0.75"
        font-size="15"
        fill="var(--secondary)"
        class="pointer-events-none"
        data-shaft-name
      >
        {{ l.text }}
        <title v-if="l.full !== l.text">{{ l.full }}</title>
      </text>
      <g v-for="f in scene.flags" :key="`lead ${f.key}`" aria-hidden="true">
        <path :d="path([f.spot, f.leader], false)" stroke="var(--bay)" stroke-width="5" />
        <path :d="path([f.spot, f.leader], false)" stroke="var(--found)" stroke-width="2" />
        <circle
          :cx="f.spot[0]"
          :cy="f.spot[1]"
          r="5.5"
          fill="var(--surface)"
          stroke="var(--found)"
          stroke-width="2.5"
        />
      </g>
      <SectionFlagMark
        v-for="f in scene.flags"
        :key="f.key"
        :flag="f"
        :here="here === f.key"
        @pick="$emit('pick', f.key)"
      />
    </svg>
  </figure>
  <p v-else class="p-5 text-[18px] text-secondary" data-mark="section">
    No shafts are defined: there is nothing to draw yet.
  </p>
</template>
