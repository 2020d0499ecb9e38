<script setup lang="ts">
/** A guarded sequence: what is done folds into one line, then the step in hand and those still barred. */
import { computed } from "vue";
import type { Scene } from "../api/client";

const props = defineProps<{ scene: Extract<Scene, { type: "steps" }> }>();
const shape: Record<string, string> = {
  done: "bg-found",
  live: "bg-here",
  blocked: "border-2 border-dashed",
  stopped: "bg-danger",
};
const done = computed(() => {
  const first = props.scene.steps.findIndex((s) => s.state !== "done");
  return first < 0 ? props.scene.steps.length : first;
});
const folded = computed(() => (done.value > 2 ? done.value : 0));
</script>

<template>
  <ol class="flex flex-col gap-1 text-[16px] leading-snug" data-mark="steps" :aria-label="scene.label">
    <li v-if="folded" class="flex items-center gap-3">
      <span class="h-5 w-5 shrink-0 bg-found" aria-hidden="true"></span>
      <span>{{ folded }} done, last: {{ scene.steps[folded - 1]?.label }}</span>
    </li>
    <li v-for="s in scene.steps.slice(folded)" :key="s.label" class="flex items-center gap-3">
      <span class="h-5 w-5 shrink-0" :class="shape[s.state]" aria-hidden="true"></span>
      <span :class="s.state === 'live' ? 'font-bold' : s.state === 'stopped' ? 'font-bold text-danger' : ''">
        {{ s.label }}{{ s.state === "stopped" ? ": start again here" : "" }}
      </span>
      <span class="text-secondary">{{ s.words }}</span>
    </li>
  </ol>
</template>
