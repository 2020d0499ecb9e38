<script setup lang="ts">
/** A gear's teeth from the front, tooth 1 at the top: the damaged flanks are filled. */
import { computed } from "vue";
import type { ToothRing } from "../api/client";

const props = defineProps<{ scene: ToothRing; here?: number | null }>();
defineEmits<{ pick: [tooth: number] }>();
type Tooth = ToothRing["teeth"][number];
const line = (points: readonly (readonly number[])[]) => points.map((p) => p.join(",")).join(" ");
const middle = (a: readonly number[], b: readonly number[]) => [
  ((a[0] ?? 0) + (b[0] ?? 0)) / 2,
  ((a[1] ?? 0) + (b[1] ?? 0)) / 2,
];
/** The half of a tooth that belongs to one flank. */
function half(t: Tooth, drive: boolean): string {
  const [rootA, tipA, tipB, rootB] = t.points;
  if (!rootA || !tipA || !tipB || !rootB) return "";
  const [tip, root] = [middle(tipA, tipB), middle(rootA, rootB)];
  return line(drive ? [root, tip, tipB, rootB] : [rootA, tipA, tip, root]);
}
const every = computed(() => (props.scene.teeth.length > 60 ? 10 : props.scene.teeth.length > 24 ? 5 : 1));
const numbered = (n: number) => n === 1 || n % every.value === 0;
</script>

<template>
  <svg
    :viewBox="`0 0 ${scene.size} ${scene.size}`"
    class="w-full max-w-[380px]"
    role="group"
    :aria-label="`${scene.label}. ${scene.words || 'No tooth is marked.'}`"
    data-mark="teeth"
  >
    <g
      v-for="t in scene.teeth"
      :key="t.number"
      class="cursor-pointer"
      :data-tooth="t.number"
      @click="$emit('pick', t.number)"
    >
      <polygon
        :points="line(t.points)"
        fill="var(--neutral)"
        stroke="var(--found)"
        :stroke-width="here === t.number ? 4 : 1.5"
      />
      <polygon v-if="t.drive" :points="half(t, true)" fill="var(--danger)" />
      <polygon v-if="t.coast" :points="half(t, false)" fill="var(--danger)" />
      <circle v-if="t.tip" :cx="t.points[1]?.[0]" :cy="t.points[1]?.[1]" r="5" fill="var(--danger)" />
      <text
        v-if="numbered(t.number)"
        :x="t.at[0]"
        :y="(t.at[1] ?? 0) + 5"
        text-anchor="middle"
        font-size="14"
        font-weight="650"
        fill="var(--words)"
      >
        {{ t.number }}
      </text>
    </g>
    <slot />
  </svg>
</template>
