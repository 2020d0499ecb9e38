<script setup lang="ts">
/** Fields of any form that the core declares, with what does not hold beside each. */
import type { FieldView } from "../api/client";
import type { FormDraft } from "../composables/useForm";
import PickBox from "./PickBox.vue";

defineProps<{ fields: FieldView[]; problems: Record<string, string>; plain?: boolean; narrow?: boolean }>();
const draft = defineModel<FormDraft>({ required: true });
const chosen = (f: FieldView) => f.quantity === "choice" || f.quantity === "place";
const options = (f: FieldView): [string, string][] => [
  ...((f.required && draft.value[f.key] ? [] : [["", "–"]]) as [string, string][]),
  ...f.options.map((o) => [o[0] ?? "", o[1] ?? ""] as [string, string]),
];
function put(key: string, event: Event) {
  draft.value = { ...draft.value, [key]: (event.target as HTMLInputElement).value };
}
</script>

<template>
  <div
    class="grid gap-x-6 gap-y-3"
    :class="narrow ? 'sm:grid-cols-2' : 'md:grid-cols-2 xl:grid-cols-3'"
    data-form-fields
  >
    <component
      :is="chosen(f) ? 'div' : 'label'"
      v-for="f in fields"
      :key="f.key"
      class="flex min-w-0 flex-col gap-1"
    >
      <span class="font-semibold"
        >{{ f.label
        }}<span v-if="!f.required && !plain" class="font-medium text-secondary"> (may stay empty)</span></span
      >
      <PickBox
        v-if="chosen(f)"
        :model-value="draft[f.key] ?? ''"
        :name="f.key"
        :spoken="f.label"
        :options="options(f)"
        @update:model-value="(key: string) => (draft = { ...draft, [f.key]: key })"
      />
      <textarea
        v-else-if="f.quantity === 'lines'"
        class="field py-2"
        rows="2"
        :name="f.key"
        :value="draft[f.key] ?? ''"
        @input="put(f.key, $event)"
      ></textarea>
      <input
        v-else
        class="field"
        :name="f.key"
        autocomplete="off"
        :value="draft[f.key] ?? ''"
        @input="put(f.key, $event)"
      />
      <span v-if="problems[f.key]" role="alert" class="font-bold text-danger">{{ problems[f.key] }}</span>
      <span v-else-if="f.why" class="text-[15px] text-secondary">{{ f.why }}</span>
    </component>
  </div>
</template>
