<script setup lang="ts">
/** Fields of any form that the core declares, with what does not hold beside each. */
import type { FieldView } from "../api/client";
import type { FormDraft } from "../composables/useForm";

defineProps<{ fields: FieldView[]; problems: Record<string, string>; plain?: boolean }>();
const draft = defineModel<FormDraft>({ required: true });
function put(key: string, event: Event) {
  draft.value = { ...draft.value, [key]: (event.target as HTMLInputElement).value };
}
</script>

<template>
  <div class="grid gap-x-6 gap-y-3 md:grid-cols-2 xl:grid-cols-3" data-form-fields>
    <label v-for="f in fields" :key="f.key" class="flex flex-col gap-1">
      <span class="font-semibold"
        >{{ f.label
        }}<span v-if="!f.required && !plain" class="font-medium text-secondary"> (may stay empty)</span></span
      >
      <select
        v-if="f.quantity === 'choice' || f.quantity === 'place'"
        class="field"
        :name="f.key"
        :value="draft[f.key] ?? ''"
        @change="put(f.key, $event)"
      >
        <option v-if="!f.required || !draft[f.key]" value="">–</option>
        <option v-for="o in f.options" :key="o[0]" :value="o[0]">{{ o[1] }}</option>
      </select>
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
    </label>
  </div>
</template>
