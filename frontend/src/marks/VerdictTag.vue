<script setup lang="ts">
/** The verdict's mark with its word: IN on the window's blue, OUT on red lead, the rest in ink. */
import { computed } from "vue";
import VerdictMark from "./VerdictMark.vue";
import { paintOf } from "./verdictLook";

const props = defineProps<{ code: string; words: string; leaning?: string; small?: boolean }>();
const paint = computed(() => paintOf(props.code) || "text-words border-2 border-found");
</script>

<template>
  <span
    class="inline-flex items-center gap-2"
    :class="[paint, small ? 'px-2' : 'min-h-[40px] px-3 py-1']"
    data-verdict
  >
    <VerdictMark :code="code" :leaning="leaning" />
    <span class="font-[750] uppercase sm:whitespace-nowrap" :class="small ? 'text-[16px]' : 'text-[19px]'">{{
      words
    }}</span>
  </span>
</template>
