<script setup lang="ts">
/** The foot of a page: the caution to the left, what can be done to the right; keys and cautions open from it. */
import { useTemplateRef } from "vue";
import { useEdge } from "../composables/useEdge";
import CautionButton from "./CautionButton.vue";
import HelpPanels from "./HelpPanels.vue";

const help = defineModel<"keys" | "cautions" | null>("help", { required: true });
defineProps<{ caution: string; keys: [string, string][]; cautions: string[] }>();
useEdge("--foot", useTemplateRef<HTMLElement>("bar"));
</script>

<template>
  <footer
    ref="bar"
    class="sticky bottom-0 z-2 flex shrink-0 flex-wrap items-center gap-2 border-t-2 bg-bay px-5 py-1.5"
  >
    <CautionButton class="min-w-[240px] max-sm:min-w-full" @click="help = 'cautions'">{{
      caution
    }}</CautionButton>
    <slot />
    <button type="button" class="control" aria-label="Keys" @click="help = 'keys'">?</button>
    <HelpPanels v-model="help" :keys="keys" :cautions="cautions" />
  </footer>
</template>
