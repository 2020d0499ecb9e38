<script setup lang="ts">
/** Positions that can be locked or reached, in order; those inside the window are blued. */
import type { Scene } from "../api/client";

defineProps<{ scene: Extract<Scene, { type: "ladder" }> }>();
const paint: Record<string, string> = {
  free: "",
  now: "bg-here text-on-here",
  wanted: "bg-wanted text-white",
  barred: "text-secondary line-through",
};
</script>

<template>
  <div data-mark="ladder">
    <h3 class="zone-head">{{ scene.label }}</h3>
    <ol class="mt-1 flex flex-wrap gap-1">
      <li
        v-for="r in scene.rungs"
        :key="r.at"
        class="border-2 border-control px-2 py-1 text-[15px]"
        :class="paint[r.state]"
      >
        {{ r.label }}<span class="sr-only"> {{ r.state }}</span>
      </li>
    </ol>
  </div>
</template>
