<script setup lang="ts">
/** What lies on a flank: wanted hatched in blue, painted in ink, expected as a yellow ring; a disc at each middle. */
import { computed, useId } from "vue";
import type { Flank } from "../api/client";
import { cellPath, FLANK, flankPath, flankPoint } from "./flankShape";

const props = defineProps<{ scene: Flank; faint?: boolean }>();
const hatch = useId();
const taper = computed(() => props.scene.taper ?? FLANK.taper);
type Patch = Flank["patches"][number];
const cells = (p: Patch) =>
  p.points
    .map(([x, y]) =>
      cellPath(Math.floor((y ?? 0) * FLANK.rows), Math.floor((x ?? 0) * FLANK.columns), taper.value),
    )
    .join("");
const shape = (p: Patch) => (p.outline?.length ? flankPath(p.outline, taper.value) : cells(p));
const of = (...roles: string[]) =>
  computed(() => props.scene.patches.filter((p) => roles.includes(p.role)).map((p) => ({ d: shape(p), p })));
const wanted = of("wanted");
const painted = of("painted", "as_found");
const predicted = of("predicted");
const at = (p?: Patch) =>
  p?.centre ? flankPoint(p.centre[0] ?? 0, p.centre[1] ?? 0, taper.value) : undefined;
const now = computed(() => at(painted.value[0]?.p));
const then = computed(() => at(predicted.value[0]?.p));
</script>

<template>
  <g>
    <defs>
      <pattern :id="hatch" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="8" height="8" fill="var(--wanted-tint)" />
        <path d="M0 0V8" stroke="var(--wanted-post)" stroke-width="1.6" />
      </pattern>
    </defs>
    <g v-for="(w, i) in wanted" :key="`w${i}`" data-patch="wanted">
      <path :d="w.d" stroke="var(--wanted-post)" stroke-width="5" stroke-linejoin="round" />
      <path :d="w.d" :fill="`url(#${hatch})`" stroke="var(--wanted-tint)" stroke-width="0.6" />
    </g>
    <path
      v-for="(f, i) in painted"
      :key="`p${i}`"
      :d="f.d"
      fill="var(--found)"
      stroke="var(--found)"
      stroke-width="2"
      stroke-linejoin="round"
      :opacity="faint ? 0.55 : 1"
      data-patch="painted"
    />
    <g v-for="(r, i) in predicted" :key="`r${i}`" fill="none" stroke-linejoin="round" data-patch="predicted">
      <path :d="r.d" stroke="var(--move-edge)" stroke-width="8" />
      <path :d="r.d" stroke="var(--move)" stroke-width="4.5" />
    </g>
    <line
      v-if="now && then"
      :x1="now[0]"
      :y1="now[1]"
      :x2="then[0]"
      :y2="then[1]"
      stroke="var(--move)"
      stroke-width="3"
    />
    <circle
      v-if="then"
      :cx="then[0]"
      :cy="then[1]"
      r="6"
      :fill="scene.model ? 'var(--wanted-scribe)' : 'var(--move)'"
      stroke="var(--move-edge)"
      stroke-width="2"
    />
    <circle
      v-if="now"
      :cx="now[0]"
      :cy="now[1]"
      r="6"
      fill="var(--surface)"
      stroke="var(--found)"
      stroke-width="2.5"
    />
  </g>
</template>
