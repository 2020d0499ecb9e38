<script setup lang="ts">
/** A baseline told in words: match marks of a mesh, or which way round a part sat. */
import { reactive } from "vue";
import type { BaselineView } from "../../api/client";

const props = defineProps<{ item: BaselineView }>();
const emit = defineEmits<{ write: [body: Record<string, unknown>] }>();
const draft = reactive({ words: "", own: false });
const marks = props.item.kind === "match_marks";
function write() {
  emit(
    "write",
    marks
      ? { mesh: props.item.subject, marks: draft.words, own: draft.own }
      : { part: props.item.subject, words: draft.words },
  );
}
</script>

<template>
  <form class="flex max-w-[760px] flex-col gap-4" @submit.prevent="write">
    <label
      >{{ marks ? "What stands where" : "Which way it faces" }}
      <input v-model="draft.words" class="field text-[20px]" name="words" required autofocus
    /></label>
    <label v-if="marks" class="flex min-h-11 items-center gap-3"
      ><input v-model="draft.own" type="checkbox" name="own" class="h-6 w-6" /> No marks were there: I painted
      my own</label
    >
    <button type="submit" class="control control-main self-start">Write it down</button>
  </form>
</template>
