<script setup lang="ts">
/** The removals turned round: the first draft of the build order. */
import type { StripView } from "../../api/client";

defineProps<{ view: StripView }>();
</script>

<template>
  <div class="flex-1 px-5 py-4" data-draft>
    <h2 class="zone-head">First draft of the build order: last off is first on</h2>
    <p v-if="!view.draft.length" class="mt-4 text-[20px]">It grows as parts come off.</p>
    <ol>
      <li
        v-for="s in view.draft"
        :key="s.number"
        class="grid grid-cols-[40px_1fr_auto] items-center gap-4 border-b-2 border-row py-2"
      >
        <span class="text-[24px] font-bold">{{ s.number }}</span>
        <span
          ><span class="block text-[20px] font-bold leading-tight">{{ s.label }}</span
          ><span class="text-secondary">{{ s.words }}</span></span
        >
        <span v-if="s.new" class="font-bold">new</span>
      </li>
    </ol>
  </div>
</template>
