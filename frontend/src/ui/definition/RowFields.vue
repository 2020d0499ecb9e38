<script setup lang="ts">
/** The fields of one row, by its columns. */
import type { Cell, Column, Row } from "./columns";
import CellField from "./CellField.vue";

const row = defineModel<Row>({ required: true });
defineProps<{
  columns: Column[];
  path: string;
  problems: Record<string, string>;
  options: (column: Column, row: Row) => [string, string][];
}>();
const put = (key: string, value: Cell) => (row.value = { ...row.value, [key]: value });
</script>

<template>
  <div class="grid gap-x-4 gap-y-2 sm:grid-cols-2">
    <CellField
      v-for="c in columns"
      :key="c.key"
      :model-value="row[c.key]"
      :column="c"
      :name="c.key"
      :options="options(c, row)"
      :problem="problems[`${path}.${c.key}`]"
      @update:model-value="(v) => put(c.key, v)"
    />
  </div>
</template>
