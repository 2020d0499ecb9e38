<script setup lang="ts">
/** The frame of every page of a job: its header, and under it what the page is for. */
import ShellHeader from "./ShellHeader.vue";

defineProps<{ job: string; tag: string; title: string; sub: string; here: string }>();
</script>

<template>
  <div class="flex min-h-full flex-col">
    <slot v-if="$slots['header']" name="header" />
    <ShellHeader v-else :job="job" :tag="tag" :title="title" :sub="sub" :here="here">
      <template v-if="$slots['rail']" #rail><slot name="rail" /></template>
    </ShellHeader>
    <main class="flex flex-1 flex-col"><slot /></main>
  </div>
</template>
