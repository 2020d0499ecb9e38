<script setup lang="ts">
/** Rows within a row: the limits of a setting, the positions of a lever. */
import { computed } from "vue";
import type { Column, Row } from "./columns";
import RowFields from "./RowFields.vue";
import type { Choices } from "./useChoices";

const row = defineModel<Row>({ required: true });
const props = defineProps<{
  field: string;
  title: string;
  fresh: string;
  start: () => Row;
  columns: Column[];
  path: string;
  problems: Record<string, string>;
  choices: Pick<Choices, "options" | "shows">;
}>();
const rows = computed(() => (row.value[props.field] ?? []) as Row[]);
const put = (next: Row[]) => (row.value = { ...row.value, [props.field]: next });
</script>

<template>
  <fieldset class="border-t-2 pt-2" :data-sub-rows="field">
    <legend class="zone-head">{{ title }}</legend>
    <div v-for="(one, n) in rows" :key="n" class="border-b-2 border-row pb-3">
      <RowFields
        :model-value="one"
        :columns="columns"
        :path="`${path}.${field}[${n}]`"
        :problems="problems"
        :choices="choices"
        @update:model-value="(r) => put(rows.map((x, i) => (i === n ? r : x)))"
      />
      <button type="button" class="control mt-2" @click="put(rows.filter((_, i) => i !== n))">
        Take this row out
      </button>
    </div>
    <button type="button" class="control mt-2" data-add-row @click="put([...rows, start()])">
      {{ fresh }}
    </button>
  </fieldset>
</template>
