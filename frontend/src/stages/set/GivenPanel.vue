<script setup lang="ts">
/** What is given: asked once, drawn from the kind's own form, kept as typed. */
import { useKept } from "../../composables/useKept";
import type { FieldView, SettingView } from "../../api/client";
import { draftFrom, givenFrom, useForm } from "../../composables/useForm";
import FromTable from "../../ui/FromTable.vue";
import FormFields from "../../ui/FormFields.vue";

const props = defineProps<{
  setting: string;
  kind: string;
  job: SettingView["job"];
  fields: FieldView[];
  problems: Record<string, string>;
}>();
const emit = defineEmits<{ give: [given: Record<string, unknown>]; cancel: [] }>();
const draft = useKept<Record<string, string>>(`given.${props.setting}`, draftFrom(props.fields));
function cancel() {
  draft.value = draftFrom(props.fields);
  emit("cancel");
}
const { fields, problems: found } = useForm(
  () => ({ kind: props.kind, unit: props.job.length_unit, job: props.job.id }),
  draft,
  props.fields,
);
</script>

<template>
  <form
    class="flex flex-col gap-4 p-5"
    data-given
    @submit.prevent="emit('give', givenFrom(fields, draft))"
    @keydown.esc="cancel"
  >
    <h2 class="text-[22px] font-bold">What is given</h2>
    <FromTable class="max-w-[560px]" :kind="kind" @put="(given) => (draft = { ...draft, ...given })" />
    <FormFields v-model="draft" :fields="fields" :problems="{ ...found, ...problems }" />
    <div class="flex gap-3">
      <button type="submit" class="control control-main">Write it down</button>
      <button type="button" class="control" @click="cancel">Leave it <span class="keycap">Esc</span></button>
    </div>
  </form>
</template>
