<script setup lang="ts">
/** What is given: asked once, drawn from the kind's own form, kept as typed. */
import { useKept } from "../../composables/useKept";
import type { SettingView } from "../../api/client";
import { draftFrom, givenFrom, useForm } from "../../composables/useForm";
import FromTable from "../../ui/FromTable.vue";
import FormFields from "../../ui/FormFields.vue";
import type { SetPageState } from "./useSetPage";

const props = defineProps<{ page: SetPageState; view: SettingView }>();
const kind = props.view.sheet.kind;
const { seq, fields: asked } = props.view.given;
const draft = useKept<Record<string, string>>(`given.${props.view.id}.${seq}`, draftFrom(asked));
function cancel() {
  draft.value = draftFrom(asked);
  props.page.close();
}
const { fields, problems } = useForm(
  () => ({ kind, unit: props.view.job.length_unit, job: props.view.job.id }),
  draft,
  asked,
);
</script>

<template>
  <form
    class="flex flex-col gap-4 p-5"
    data-given
    @submit.prevent="page.give(givenFrom(fields, draft))"
    @keydown.esc="cancel"
  >
    <h2 class="text-[22px] font-bold">What is given</h2>
    <FromTable class="max-w-[560px]" :kind="kind" @put="(given) => (draft = { ...draft, ...given })" />
    <FormFields v-model="draft" :fields="fields" :problems="{ ...problems, ...page.fieldProblems }" />
    <div class="flex gap-3">
      <button type="submit" class="control control-main">Write it down</button>
      <button type="button" class="control" @click="cancel">Leave it <span class="keycap">Esc</span></button>
    </div>
  </form>
</template>
