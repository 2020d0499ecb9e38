<script setup lang="ts">
/** What opens over a page at ? and a: its keys, and its cautions. */
import KeyHelp from "./KeyHelp.vue";

const open = defineModel<"keys" | "cautions" | null>({ required: true });
defineProps<{ keys: [string, string][]; cautions: string[] }>();
</script>

<template>
  <KeyHelp :open="open === 'keys'" title="Keys" :rows="keys" @close="open = null" />
  <KeyHelp
    :open="open === 'cautions'"
    title="Cautions"
    :rows="cautions.map((c) => ['', c])"
    @close="open = null"
  />
</template>
