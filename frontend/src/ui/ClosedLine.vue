<script setup lang="ts">
/** On every page of a closed job: it takes nothing, and where it is opened again. */
import { RouterLink } from "vue-router";

defineProps<{ job: string; day: string }>();
</script>

<template>
  <p
    class="flex flex-wrap items-center gap-4 border-b-2 bg-here px-5 py-1.5 font-semibold text-on-here"
    data-closed
  >
    Closed {{ day }}: it takes nothing any more.
    <RouterLink class="underline" :to="`/jobs/${job}/receive`">Open it again</RouterLink>
  </p>
</template>
