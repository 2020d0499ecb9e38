<script setup lang="ts">
/** All of one row: its fields, what a setting is given with its limits, the positions of a lever. */
import { computed } from "vue";
import { COLUMNS, withItsCounts, type Leaf, type Row } from "./columns";
import GivenFields from "./GivenFields.vue";
import { LIMIT } from "./limitColumns";
import RowFields from "./RowFields.vue";
import SubRows from "./SubRows.vue";
import { POSITION } from "./trainColumns";
import type { Choices } from "./useChoices";

const row = defineModel<Row>({ required: true });
const props = defineProps<{
  leaf: Leaf;
  index: number;
  problems: Record<string, string>;
  known: string;
  choices: Choices;
  picking: string | null;
  passing: () => string;
}>();
defineEmits<{ pick: [field: string] }>();
const path = computed(() => `${props.leaf}[${props.index}]`);
const put = (next: Row) => (row.value = withItsCounts(next));
</script>

<template>
  <div class="flex flex-col gap-3">
    <p v-if="problems[path]" class="font-bold text-danger" data-row-problem>{{ problems[path] }}</p>
    <RowFields
      :model-value="row"
      :columns="COLUMNS[leaf]"
      :path="path"
      :problems="problems"
      :choices="choices"
      :picking="picking"
      @pick="(field) => $emit('pick', field)"
      @update:model-value="put"
    />
    <template v-if="leaf === 'settings'">
      <p v-if="known" class="text-secondary" data-known>
        From the unit, unless you say otherwise: {{ known }}.
      </p>
      <GivenFields :key="String(row.kind)" :model-value="row" @update:model-value="put" />
      <SubRows
        :model-value="row"
        field="limits"
        title="Limits"
        fresh="New limit row"
        :start="() => ({ basis: 'new parts' })"
        :columns="LIMIT"
        :path="path"
        :problems="problems"
        :choices="choices"
        @update:model-value="put"
      />
    </template>
    <SubRows
      v-if="leaf === 'levers'"
      :model-value="row"
      field="positions"
      title="Positions"
      fresh="New position"
      :start="() => ({ key: passing(), label: '' })"
      :columns="POSITION"
      :path="path"
      :problems="problems"
      :choices="choices"
      @update:model-value="put"
    />
  </div>
</template>
