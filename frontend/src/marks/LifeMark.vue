<script setup lang="ts">
/** A quantity down the years: left open, found filled, worn between; where its limit will be met. */
import { computed, ref } from "vue";
import type { Scene } from "../api/client";
import { makeScale } from "../composables/useScale";
import { useWidth } from "../composables/useWidth";
import LifeFan from "./LifeFan.vue";
import LifeRule from "./LifeRule.vue";
import LifeVisits from "./LifeVisits.vue";

const props = defineProps<{ scene: Extract<Scene, { type: "life" }> }>();
const box = ref<HTMLElement | null>(null);
const width = useWidth(box);
const gutter = computed(() => (width.value < 560 ? 12 : 120));
const TOP = 136;
const ROW = 58;
const tall = computed(() => Math.max(90, ROW * (props.scene.visits.length - (props.scene.fan ? 0 : 1))));
const height = computed(() => TOP + tall.value + (props.scene.fan ? 56 : 34));
const x = computed(() => makeScale(props.scene.lo, props.scene.hi, gutter.value + 12, width.value - 20));
const y = (at: number) => TOP + at * tall.value;
/** What the discs mean: beside the rule where there is room, else under it. */
const legend = computed(() =>
  width.value < 560
    ? { left: `${gutter.value + 20} ${TOP - 28}`, found: `${gutter.value + 98} ${TOP - 28}` }
    : { left: "8 53", found: "8 76" },
);
/** Words beside a point so far right stand to its left. */
const right = (at: number) => x.value(at) > width.value - 150;
const spoken = computed(() => {
  const fan = props.scene.fan ? `; limit met about ${props.scene.fan.label}, ${props.scene.fan.words}` : "";
  const said = props.scene.visits.map(
    (v) =>
      `${v.label}: ${v.found ? `found ${v.found.label}` : ""}${v.left ? ` left ${v.left.label}` : ""}${v.rate ? `, ${v.rate}` : ""}`,
  );
  return `${props.scene.label}, ${props.scene.unit}. ${said.join("; ")}${fan}`;
});
</script>

<template>
  <div ref="box" class="w-full" data-mark="life">
    <svg :width="width" :height="height" role="img" :aria-label="spoken" class="block overflow-visible">
      <LifeRule :scene="scene" :x="x" :height="height" :right="right" />
      <g font-size="15" fill="var(--secondary)">
        <g :transform="`translate(${legend.left})`">
          <circle r="6" fill="var(--surface)" stroke="var(--found)" stroke-width="2.5" />
          <text x="14" y="5">as left</text>
        </g>
        <g :transform="`translate(${legend.found})`">
          <circle r="7" fill="var(--found)" />
          <text x="14" y="5">as found</text>
        </g>
        <text v-if="scene.earlier" :x="gutter + 190" :y="TOP - 23">{{ scene.earlier }}</text>
      </g>
      <LifeVisits :scene="scene" :x="x" :y="y" :width="width" :right="right" />
      <LifeFan v-if="scene.fan" :scene="scene" :x="x" :y="y" :right="right" />
    </svg>
  </div>
</template>
