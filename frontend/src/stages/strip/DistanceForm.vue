<script setup lang="ts">
/** The mark on a pinion: a whole checking distance or a deviation. Unit and sense are always asked. */
import { reactive } from "vue";
import type { BaselineView, StripView } from "../../api/client";

const props = defineProps<{ item: BaselineView; job: StripView["job"] }>();
const emit = defineEmits<{ write: [body: Record<string, unknown>] }>();
const draft = reactive({ typed: "", unit: props.job.length_unit, convention: "" });
const senses = [
  ["distance", "the whole checking distance"],
  ["plus is farther from the gear", "a deviation: plus is farther from the gear"],
  ["plus is nearer to the gear", "a deviation: plus is nearer to the gear"],
  ["not known", "a deviation, sense not known"],
];
</script>

<template>
  <form
    class="flex max-w-[760px] flex-col gap-4"
    @submit.prevent="emit('write', { mesh: item.subject, ...draft })"
  >
    <label
      >As marked<input
        v-model="draft.typed"
        class="field text-[24px] font-bold"
        name="typed"
        required
        autofocus
    /></label>
    <fieldset class="flex flex-wrap gap-3">
      <legend class="zone-head">Its unit</legend>
      <label v-for="u in ['mm', 'thou']" :key="u" class="control"
        ><input v-model="draft.unit" type="radio" name="unit" :value="u" /> {{ u }}</label
      >
    </fieldset>
    <fieldset class="flex flex-col gap-2">
      <legend class="zone-head">What it means</legend>
      <label v-for="[key, words] in senses" :key="key" class="flex min-h-11 items-center gap-3"
        ><input
          v-model="draft.convention"
          type="radio"
          name="convention"
          :value="key"
          required
          class="h-6 w-6"
        />
        {{ words }}</label
      >
    </fieldset>
    <button type="submit" class="control control-main self-start">Write it down</button>
  </form>
</template>
