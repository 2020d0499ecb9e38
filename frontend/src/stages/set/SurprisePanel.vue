<script setup lang="ts">
/** Found far from predicted: what may have happened, until the mechanic says what did. */
import { useKept } from "../../composables/useKept";
import type { Sheet } from "../../api/client";

const props = defineProps<{ surprise: NonNullable<Sheet["surprise"]>; keep: string }>();
defineEmits<{ answer: [cause: string, words: string] }>();
const words = useKept<string>(`surprise.${props.keep}.${props.surprise.round}`, "");
</script>

<template>
  <section class="flex flex-col gap-3 border-t-4 border-danger pt-2" data-surprise>
    <h2 class="sr-only">{{ surprise.sentence }} {{ surprise.implied }}</h2>
    <ul class="flex flex-col gap-1">
      <li v-for="s in surprise.slips" :key="s" class="border-l-4 border-found pl-3">{{ s }}</li>
    </ul>
    <label class="flex items-center gap-3"
      ><span class="shrink-0">In your words</span><input v-model="words" class="field" maxlength="400"
    /></label>
    <div class="flex flex-wrap gap-3">
      <button
        v-for="a in surprise.answers"
        :key="a[0]"
        type="button"
        class="control"
        :data-answer="a[0]"
        @click="$emit('answer', a[0] ?? '', words)"
      >
        {{ a[1] }}
      </button>
    </div>
  </section>
</template>
