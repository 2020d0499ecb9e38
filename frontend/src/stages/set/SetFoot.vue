<script setup lang="ts">
defineProps<{ cautions: string[]; canMove: boolean }>();
defineEmits<{ help: []; cautions: []; correct: []; move: []; given: []; reseat: []; sign: [] }>();
</script>

<template>
  <footer
    class="sticky bottom-0 z-2 flex shrink-0 items-center gap-3 border-t-2 bg-bay px-5 py-1.5 max-xl:flex-wrap"
  >
    <button
      type="button"
      class="flex min-h-12 min-w-0 flex-1 cursor-pointer items-center gap-3 text-left"
      @click="$emit('cautions')"
    >
      <span
        class="flex h-8 w-8 shrink-0 items-center justify-center bg-danger text-[22px] font-bold text-on-danger"
        aria-hidden="true"
        >!</span
      >
      <span class="line-clamp-2 text-[15px] leading-snug"
        >{{ cautions.slice(0, 2).join(" ") }}<span class="sr-only"> Show all cautions.</span></span
      >
    </button>
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
