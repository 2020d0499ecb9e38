<script setup lang="ts">
/** The foot of a page: the caution to the left, what can be done to the right; keys and cautions open from it. */
import KeyHelp from "./KeyHelp.vue";

const help = defineModel<"keys" | "cautions" | null>("help", { required: true });
defineProps<{ caution: string; keys: [string, string][]; cautions: string[] }>();
</script>

<template>
  <footer
    class="sticky bottom-0 z-1 flex shrink-0 flex-wrap items-center gap-3 border-t-2 bg-bay px-5 py-1.5"
  >
    <button
      type="button"
      class="flex min-h-12 min-w-[240px] flex-1 cursor-pointer items-center gap-3 text-left"
      @click="help = 'cautions'"
    >
      <span
        class="flex h-8 w-8 shrink-0 items-center justify-center bg-danger text-[22px] font-bold text-on-danger"
        aria-hidden="true"
        >!</span
      >
      <span class="line-clamp-2 text-[15px] leading-snug"
        >{{ caution }}<span class="sr-only"> Show all cautions.</span></span
      >
    </button>
    <slot />
    <button type="button" class="control" aria-label="Keys" @click="help = 'keys'">?</button>
    <KeyHelp :open="help === 'keys'" title="Keys" :rows="keys" @close="help = null" />
    <KeyHelp
      :open="help === 'cautions'"
      title="Cautions"
      :rows="cautions.map((c) => ['', c])"
      @close="help = null"
    />
  </footer>
</template>
