<script setup lang="ts">
/** The foot of a setting or a rig: the caution to the left, what can be done to the right, each with its key. */
import CautionButton from "./CautionButton.vue";

/** Something that can be done; `off` while it cannot. */
export interface Act {
  key: string;
  label: string;
  run: () => unknown;
  off?: boolean;
  main?: boolean;
}
defineProps<{ caution: string; acts: Act[] }>();
defineEmits<{ help: []; cautions: [] }>();
</script>

<template>
  <footer
    class="sticky bottom-0 z-2 flex shrink-0 items-center gap-2 border-t-2 bg-bay px-5 py-1.5 max-xl:flex-wrap"
  >
    <CautionButton @click="$emit('cautions')">{{ caution }}</CautionButton>
    <button
      v-for="act in acts"
      :key="act.key"
      type="button"
      class="control px-3"
      :class="act.main ? 'control-main' : ''"
      :disabled="act.off"
      :data-act="act.key"
      @click="act.run()"
    >
      {{ act.label }} <span class="keycap">{{ act.key }}</span>
    </button>
    <button type="button" class="control" aria-label="Keys" @click="$emit('help')">?</button>
  </footer>
</template>
