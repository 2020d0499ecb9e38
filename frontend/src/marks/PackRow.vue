<script setup lang="ts">
/** A pack in one row, for where several stand together: its plates as they lie, what moves marked and said. */
import { computed } from "vue";
import type { Pack } from "../api/client";

const props = defineProps<{ scene: Pack }>();
const plates = computed(() => [
  ...props.scene.now,
  ...props.scene.after.filter((plate) => plate.state === "new"),
]);
const spoken = computed(() =>
  props.scene.after_label
    ? `${props.scene.now_label} now, ${props.scene.after_label} after`
    : `${props.scene.now_label} now`,
);
</script>

<template>
  <figure data-mark="pack-row" :aria-label="`${scene.title}: ${spoken}`">
    <figcaption class="flex items-baseline gap-3">
      <span class="zone-head">{{ scene.title }}</span>
      <span class="text-[20px] font-bold">{{ scene.now_label }}</span>
      <template v-if="scene.after_label">
        <span class="text-secondary">to</span>
        <span class="text-[20px] font-bold">{{ scene.after_label }}</span>
        <span class="text-secondary">{{ scene.change_label }}</span>
      </template>
    </figcaption>
    <ul class="mt-1 flex flex-wrap gap-1.5">
      <li
        v-for="(plate, i) in plates"
        :key="i"
        class="border-2 border-found px-2 text-[17px] font-bold leading-7"
        :class="plate.state === 'kept' ? 'bg-neutral' : 'mark'"
      >
        {{ plate.label
        }}<span v-if="plate.state !== 'kept'" class="ml-1.5 text-[15px] font-semibold">{{
          plate.state
        }}</span>
      </li>
      <li v-if="!plates.length" class="text-secondary">no shims</li>
    </ul>
  </figure>
</template>
