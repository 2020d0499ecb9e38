<script setup lang="ts">
/** What one does at a rig; the advice is asked for, and costs. */
import CautionButton from "../set/CautionButton.vue";

defineProps<{ canMove: boolean; asked: boolean; done: boolean }>();
defineEmits<{
  help: [];
  cautions: [];
  correct: [];
  move: [];
  given: [];
  reseat: [];
  sign: [];
  look: [];
  ask: [];
}>();
</script>

<template>
  <footer
    class="sticky bottom-0 z-2 flex shrink-0 items-center gap-2 border-t-2 bg-bay px-5 py-1.5 max-xl:flex-wrap"
  >
    <CautionButton @click="$emit('cautions')"
      >Fingers out of the gap, here too: the habit is what this rig is for.</CautionButton
    >
    <template v-if="!done">
      <button type="button" class="control px-3" @click="$emit('look')">
        Look <span class="keycap">l</span>
      </button>
      <button type="button" class="control px-3" :disabled="!canMove" @click="$emit('move')">
        Move <span class="keycap">m</span>
      </button>
      <button type="button" class="control px-3" :disabled="!canMove" @click="$emit('reseat')">
        Re-seat <span class="keycap">r</span>
      </button>
      <button type="button" class="control px-3" :disabled="asked" data-ask @click="$emit('ask')">
        What would you do? <span class="keycap">w</span>
      </button>
      <button type="button" class="control px-3" @click="$emit('given')">
        Given <span class="keycap">g</span>
      </button>
      <button type="button" class="control px-3" @click="$emit('sign')">
        Sign, lift the cloth <span class="keycap">s</span>
      </button>
    </template>
    <button type="button" class="control" aria-label="Keys" @click="$emit('help')">?</button>
  </footer>
</template>
