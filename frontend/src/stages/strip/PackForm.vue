<script setup lang="ts">
/** A pack as found: its plates, its side, how its slot or holes stood. */
import type { BaselineView, StripView } from "../../api/client";
import { useKept } from "../../composables/useKept";

const props = defineProps<{ item: BaselineView; job: StripView["job"] }>();
const emit = defineEmits<{ write: [body: Record<string, unknown>] }>();
const draft = useKept(`found.${props.job.id}.${props.item.key}.${props.item.fact}`, {
  plates: props.item.plates.join(" + "),
  side: "",
  slots: "",
  remark: "",
}).value;
function write() {
  const plates = draft.plates
    .split(/\+|;|\n/)
    .map((p) => p.trim())
    .filter(Boolean);
  emit("write", {
    place: props.item.subject,
    plates,
    side: draft.side,
    slots: draft.slots,
    remark: draft.remark,
  });
}
</script>

<template>
  <form class="grid max-w-[760px] gap-4 md:grid-cols-2" @submit.prevent="write">
    <label class="md:col-span-2"
      >Plates, from the housing out ({{ job.length_unit }}, or as spoken)
      <input
        v-model="draft.plates"
        class="field text-[24px] font-bold"
        name="plates"
        placeholder="0.50 + 0.25"
        autofocus
    /></label>
    <label>Side<input v-model="draft.side" class="field" name="side" required /></label>
    <label
      >Slot or holes stand<input
        v-model="draft.slots"
        class="field"
        name="slots"
        required
        placeholder="slot at 6"
    /></label>
    <label class="md:col-span-2">Remark<input v-model="draft.remark" class="field" name="remark" /></label>
    <button type="submit" class="control control-main justify-self-start">Write it down</button>
  </form>
</template>
