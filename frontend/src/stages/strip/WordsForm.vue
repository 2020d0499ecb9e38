<script setup lang="ts">
/** A baseline told in words: match marks of a mesh, or which way round a part sat. */
import type { BaselineView, StripView } from "../../api/client";
import TickBox from "../../ui/TickBox.vue";
import { useKept } from "../../composables/useKept";

const props = defineProps<{ item: BaselineView; job: StripView["job"] }>();
const emit = defineEmits<{ write: [body: Record<string, unknown>] }>();
const draft = useKept(`found.${props.job.id}.${props.item.key}.${props.item.fact}`, {
  words: "",
  own: false,
  none: false,
}).value;
const marks = props.item.kind === "match_marks";
function write() {
  const said = draft.none
    ? { none: true }
    : marks
      ? { marks: draft.words, own: draft.own }
      : { words: draft.words };
  emit("write", { [marks ? "mesh" : "part"]: props.item.subject, ...said });
}
</script>

<template>
  <form class="flex max-w-[760px] flex-col gap-4" @submit.prevent="write">
    <label v-if="!draft.none"
      >{{ marks ? "What stands where" : "Which way it faces, as you see it" }}
      <input v-model="draft.words" class="field text-[20px]" name="words" required autofocus
    /></label>
    <template v-if="marks">
      <TickBox
        v-if="!draft.none"
        v-model="draft.own"
        name="own"
        label="No marks were there: I painted my own"
      />
      <TickBox v-if="!draft.own" v-model="draft.none" name="none" label="None there, and none painted" />
    </template>
    <button type="submit" class="control control-main self-start">Write it down</button>
  </form>
</template>
