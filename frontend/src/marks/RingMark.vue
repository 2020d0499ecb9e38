<script setup lang="ts">
/** Positions around a cover, 0 at the top and clockwise: where it stands, where it is to go, what each gives. */
import type { Scene } from "../api/client";

const props = defineProps<{ scene: Extract<Scene, { type: "ring" }> }>();
const R = 120;
const at = (angle: number, far: number) => {
  const turn = (angle * Math.PI) / 180;
  return { x: far * Math.sin(turn), y: -far * Math.cos(turn) };
};
const fills: Record<string, string> = { wanted: "fill-wanted", now: "fill-found", move: "fill-move" };
const crowded = () => props.scene.rungs.length > 14;
</script>

<template>
  <figure data-mark="ring" class="flex flex-wrap items-center gap-x-5">
    <svg
      viewBox="-160 -150 320 300"
      class="w-full max-w-[290px] shrink-0"
      role="img"
      :aria-label="`${scene.label}: ${scene.rungs.map((r) => r.label).join(', ')}`"
    >
      <circle :r="R" class="fill-neutral" stroke="var(--found)" stroke-width="2" />
      <circle r="52" class="fill-surface" stroke="var(--found)" stroke-width="2" />
      <text y="-133" text-anchor="middle" font-size="15" fill="var(--secondary)">{{ scene.zero }}</text>
      <template v-if="scene.throw !== null">
        <line
          :x2="at(scene.throw, 34).x"
          :y2="at(scene.throw, 34).y"
          stroke="var(--found)"
          stroke-width="4"
        />
        <circle :cx="at(scene.throw, 34).x" :cy="at(scene.throw, 34).y" r="5" fill="var(--found)" />
      </template>
      <g v-for="r in scene.rungs" :key="r.at">
        <circle
          :cx="at(r.at, R - 16).x"
          :cy="at(r.at, R - 16).y"
          :r="crowded() ? 6 : 9"
          :class="fills[r.state] ?? 'fill-surface'"
          :stroke="r.state === 'move' ? 'var(--move-edge)' : 'var(--found)'"
          stroke-width="2.5"
        />
        <text
          v-if="!crowded() || r.state !== 'free'"
          :x="at(r.at, R - 40).x"
          :y="at(r.at, R - 40).y + 5"
          text-anchor="middle"
          font-size="15"
          font-weight="650"
          fill="var(--words)"
        >
          {{ r.tag }}
        </text>
      </g>
    </svg>
    <ol class="min-w-[260px] flex-1 columns-2 text-[16px]">
      <li
        v-for="r in scene.rungs"
        :key="r.at"
        class="flex items-center gap-2 py-0.5"
        :class="r.state === 'now' || r.state === 'move' ? 'font-bold' : ''"
      >
        <svg viewBox="-9 -9 18 18" class="h-4 w-4 shrink-0" aria-hidden="true">
          <circle r="7" :class="fills[r.state] ?? 'fill-surface'" stroke="var(--found)" stroke-width="2.5" />
        </svg>
        {{ r.label }}
      </li>
    </ol>
    <figcaption class="zone-head w-full">{{ scene.label }}</figcaption>
  </figure>
</template>
