<script setup lang="ts">
import { RouterLink } from "vue-router";

defineProps<{ problem: Error | null }>();
</script>

<template>
  <main class="flex flex-col gap-4 p-8">
    <template v-if="problem">
      <p class="say">{{ problem.message }}</p>
      <p class="text-[18px]">Nothing that was entered is lost. The page asks again by itself.</p>
      <RouterLink to="/" class="control self-start">Board</RouterLink>
    </template>
    <p v-else class="say text-secondary" aria-busy="true">Fetching the bench…</p>
  </main>
</template>
