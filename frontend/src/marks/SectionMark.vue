<script setup lang="ts">
/** The unit in schematic section; every flag is a place that can be tapped. */
import type { Section } from "../api/client";
import SectionFlagMark from "./SectionFlagMark.vue";

defineProps<{ scene: Section; here?: string | null }>();
defineEmits<{ pick: [place: string] }>();
const fills: Record<string, string> = {
  cut: "fill-cut",
  part: "fill-neutral",
  shaft: "fill-neutral",
  race: "fill-surface",
  roller: "fill-row",
  seal: "fill-found",
  shim: "fill-surface",
};
const fill = (role: string, part: string, moved: string[]) =>
  role === "shim" && moved.includes(part) ? "fill-move" : (fills[role] ?? "fill-none");
const path = (points: number[][], closed: boolean) =>
  `M${points.map((p) => p.join(" ")).join("L")}${closed ? "Z" : ""}`;
</script>

<template>
  <figure v-if="scene.shapes.length" class="overflow-x-auto" data-mark="section">
    <svg
      :viewBox="`0 0 ${scene.width} ${scene.height}`"
      class="w-full max-md:min-w-[760px]"
      role="group"
      :aria-label="scene.label"
    >
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
      </defs>
      <template v-for="(s, i) in scene.shapes" :key="i">
        <path
          v-if="s.closed"
          :d="path(s.points, true)"
          :class="fill(s.role, s.part, scene.moved)"
          stroke="var(--found)"
          :stroke-width="s.role === 'shim' ? 1.2 : 2.2"
          stroke-linejoin="miter"
        />
        <path v-if="s.role === 'cut'" :d="path(s.points, true)" fill="url(#cut-hatch)" />
        <path
          v-if="!s.closed"
          :d="path(s.points, false)"
          fill="none"
          :stroke="s.role === 'centre' ? 'var(--control)' : 'var(--found)'"
          stroke-width="1.5"
          :stroke-dasharray="s.role === 'centre' ? '12 4 2 4' : undefined"
        />
      </template>
      <text
        v-for="l in scene.labels"
        :key="l.text"
        :x="l.x + 4"
        :y="l.y + l.h * 0.75"
        font-size="15"
        fill="var(--secondary)"
        data-shaft-name
      >
        {{ l.text }}
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
    {{
      scene.label.startsWith("Section:")
        ? scene.label
        : "No shafts are defined: there is nothing to draw yet."
    }}
  </p>
</template>
