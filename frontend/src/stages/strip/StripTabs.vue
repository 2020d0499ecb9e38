<script lang="ts">
export type Tab = "found" | "off" | "loose" | "photos" | "draft";
</script>

<script setup lang="ts">
/** The five leaves of the strip stage; yellow counts what is still open. */
const tab = defineModel<Tab>({ required: true });
defineProps<{ counts: Record<Tab, number> }>();
defineEmits<{ cautions: [] }>();
const leaves: [Tab, string][] = [
  ["found", "As found"],
  ["off", "Take off"],
  ["loose", "Loose items"],
  ["photos", "Photos"],
  ["draft", "Build order"],
];
</script>

<template>
  <nav class="flex flex-wrap items-center gap-2 border-b-2 bg-bay px-5 py-2" aria-label="Strip">
    <button
      v-for="([key, words], n) in leaves"
      :key="key"
      type="button"
      class="control"
      :class="tab === key ? 'control-main' : ''"
      :aria-pressed="tab === key"
      :data-tab="key"
      @click="tab = key"
    >
      {{ words }} <span v-if="counts[key]" class="mark text-[16px]">{{ counts[key] }}</span><span
        class="keycap"
        >{{ n + 1 }}</span
      >
    </button>
    <button type="button" class="control ml-auto" @click="$emit('cautions')">
      Cautions <span class="keycap">a</span>
    </button>
  </nav>
</template>
