<script setup lang="ts">
/** Gears seen from their ends; teeth that are to be painted stand in paint. */
import type { Scene } from "../api/client";

defineProps<{ scene: Extract<Scene, { type: "gears" }> }>();
const path = (points: number[][]) => `M${points.map((p) => p.join(" ")).join("L")}Z`;
</script>

<template>
  <figure data-mark="gears">
    <svg
      :viewBox="`0 0 ${scene.width} ${scene.height}`"
      class="max-h-[300px] w-full"
      role="img"
      :aria-label="`${scene.label}: ${scene.gears.map((g) => g.label).join(', ')}`"
    >
      <g v-for="(g, i) in scene.gears" :key="i">
        <path :d="path(g.outline)" class="fill-neutral" stroke="var(--found)" stroke-width="2" />
        <path
          v-for="(tooth, n) in g.painted"
          :key="n"
          :d="path(tooth)"
          class="fill-move"
          stroke="var(--move-edge)"
          stroke-width="2"
          data-painted
        />
        <circle
          v-if="g.hub"
          :cx="g.middle[0]"
          :cy="g.middle[1]"
          :r="g.hub"
          class="fill-surface"
          stroke="var(--found)"
          stroke-width="2"
        />
        <text
          :x="g.name_at[0]"
          :y="(g.name_at[1] ?? 0) + 7"
          text-anchor="middle"
          font-size="20"
          font-weight="700"
          fill="var(--words)"
        >
          {{ i + 1 }}
        </text>
      </g>
    </svg>
    <figcaption class="zone-head">{{ scene.label }}</figcaption>
    <ol class="flex flex-wrap gap-x-6 text-[16px]">
      <li v-for="(g, i) in scene.gears" :key="i">
        <b>{{ i + 1 }}</b> {{ g.label }}
      </li>
    </ol>
  </figure>
</template>
