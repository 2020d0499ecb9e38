<script setup lang="ts">
import type { Scene } from "../api/client";

defineProps<{ scene: Extract<Scene, { type: "steps" }> }>();
const shape: Record<string, string> = {
  done: "bg-found",
  live: "bg-here",
  blocked: "border-2 border-dashed",
  stopped: "bg-danger",
};
</script>

<template>
  <ol class="flex flex-col gap-2" data-mark="steps" :aria-label="scene.label">
    <li v-for="s in scene.steps" :key="s.label" class="flex items-center gap-3">
      <span class="h-5 w-5 shrink-0" :class="shape[s.state]" aria-hidden="true"></span>
      <span :class="s.state === 'live' ? 'font-bold' : ''">{{ s.label }}</span>
      <span class="text-secondary">{{ s.words }}</span>
    </li>
  </ol>
</template>
