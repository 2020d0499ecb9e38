<script setup lang="ts">
/** The verdict's mark with its word: IN on the window's blue, OUT on red lead, the rest in ink. */
import { computed } from "vue";
import VerdictMark from "./VerdictMark.vue";

const props = defineProps<{ code: string; words: string; leaning?: string }>();
const paint = computed(() => {
  if (props.code === "in") return "bg-wanted text-white";
  if (props.code.startsWith("out")) return "bg-danger text-on-danger";
  return "text-words border-2 border-found";
});
</script>

<template>
  <span class="inline-flex min-h-[40px] items-center gap-2 px-3 py-1" :class="paint" data-verdict>
    <VerdictMark :code="code" :leaning="leaning" />
    <span class="whitespace-nowrap text-[19px] font-[750] uppercase">{{ words }}</span>
  </span>
</template>
