<script setup lang="ts">
import CautionButton from "./CautionButton.vue";

defineProps<{ cautions: string[]; canMove: boolean }>();
defineEmits<{ help: []; cautions: []; correct: []; move: []; given: []; reseat: []; sign: [] }>();
</script>

<template>
  <footer
    class="sticky bottom-0 z-2 flex shrink-0 items-center gap-3 border-t-2 bg-bay px-5 py-1.5 max-xl:flex-wrap"
  >
    <CautionButton @click="$emit('cautions')">{{ cautions.slice(0, 2).join(" ") }}</CautionButton>
    <button type="button" class="control" @click="$emit('correct')">
      Correct <span class="keycap">c</span>
    </button>
    <button type="button" class="control" :disabled="!canMove" @click="$emit('move')">
      Move <span class="keycap">m</span>
    </button>
    <button type="button" class="control" :disabled="!canMove" @click="$emit('reseat')">
      Re-seat <span class="keycap">r</span>
    </button>
    <button type="button" class="control" @click="$emit('given')">Given <span class="keycap">g</span></button>
    <button type="button" class="control" @click="$emit('sign')">Sign <span class="keycap">s</span></button>
    <button type="button" class="control" aria-label="Keys" @click="$emit('help')">?</button>
  </footer>
</template>
