<script setup lang="ts">
/** Who is at the bench: named, not authenticated. */
import { actor, chooseActor, useMechanics } from "../composables/useActor";

const { data } = useMechanics();
</script>

<template>
  <label class="flex items-center">
    <span class="sr-only">Who is working</span>
    <select
      class="h-12 max-w-[150px] border-2 bg-surface px-2 text-[16px] font-semibold"
      :class="actor ? '' : 'border-dashed'"
      :value="actor"
      data-actor
      @change="chooseActor(($event.target as HTMLSelectElement).value)"
    >
      <option value="" disabled>Who are you?</option>
      <option v-for="m in data ?? []" :key="m.id" :value="m.id">{{ m.name }}</option>
    </select>
  </label>
</template>
