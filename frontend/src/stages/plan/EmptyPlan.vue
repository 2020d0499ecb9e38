<script setup lang="ts">
/** Nothing came off yet: the rule without numbers, and the two ways to begin. */
import { RouterLink } from "vue-router";

defineProps<{ job: string }>();
defineEmits<{ begin: []; own: [] }>();
</script>

<template>
  <section class="flex flex-1 gap-8 px-5 py-5" data-empty-plan>
    <div class="w-[52px] shrink-0 bg-neutral" aria-hidden="true">
      <div v-for="n in 9" :key="n" class="h-12 border-b-2 border-surface"></div>
    </div>
    <div class="flex max-w-[640px] flex-col items-start gap-4 text-[18px]">
      <p>
        What comes off is logged under Strip; turned round it is the first draft of this order. A unit that
        came in boxes is begun from its type: every part then gets its step.
      </p>
      <RouterLink class="control control-main" :to="`/jobs/${job}/strip?zone=off`">Strip it first</RouterLink>
      <button type="button" class="control" data-begin @click="$emit('begin')">
        Start from the unit's type
      </button>
      <button type="button" class="control" @click="$emit('own')">
        Write a step of your own <span class="keycap">+</span>
      </button>
    </div>
  </section>
</template>
