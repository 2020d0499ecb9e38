<script setup lang="ts">
/** The rows of one leaf in their order: tap one to open it, move it, take it out. */
import { ref, watch } from "vue";
import { COLUMNS, LIMIT, newRow, withItsCounts, type Column, type Leaf, type Row } from "./columns";
import GivenFields from "./GivenFields.vue";
import RowFields from "./RowFields.vue";
import SubRows from "./SubRows.vue";
import { POSITION } from "./trainColumns";

const rows = defineModel<Row[]>({ required: true });
const props = defineProps<{
  leaf: Leaf;
  fresh: string;
  problems: Record<string, string>;
  known: Record<string, string>;
  options: (column: Column, row: Row) => [string, string][];
}>();
const open = ref<number | null>(null);
watch(
  () => props.leaf,
  () => (open.value = null),
);
const put = (n: number, row: Row) =>
  (rows.value = rows.value.map((r, i) => (i === n ? withItsCounts(row) : r)));
function move(n: number, by: number) {
  const next = [...rows.value];
  const [row] = next.splice(n, 1);
  if (row) next.splice(n + by, 0, row);
  rows.value = next;
  open.value = n + by;
}
function add() {
  open.value = rows.value.length;
  rows.value = [...rows.value, newRow(props.leaf, props.fresh, rows.value)];
}
const wrong = (n: number) => Object.keys(props.problems).some((p) => p.startsWith(`${props.leaf}[${n}]`));
</script>

<template>
  <div>
    <ol>
      <li v-for="(row, n) in rows" :key="n" class="border-b-2 border-row" :data-row-key="row.key">
        <button
          type="button"
          class="flex min-h-12 w-full cursor-pointer items-center justify-between gap-3 py-1 text-left"
          :aria-expanded="open === n"
          @click="open = open === n ? null : n"
        >
          <span class="text-[18px] font-bold" :class="wrong(n) ? 'text-danger' : ''">{{
            row.label || "without a name"
          }}</span>
          <span class="text-secondary">{{
            [row.kind, row.shaft, row.at, row.place].filter(Boolean).join(" · ")
          }}</span>
        </button>
        <div v-if="open === n" class="flex flex-col gap-3 pb-4">
          <p v-if="problems[`${leaf}[${n}]`]" class="font-bold text-danger">
            {{ problems[`${leaf}[${n}]`] }}
          </p>
          <RowFields
            :model-value="row"
            :columns="COLUMNS[leaf]"
            :path="`${leaf}[${n}]`"
            :problems="problems"
            :options="options"
            @update:model-value="(r) => put(n, r)"
          />
          <template v-if="leaf === 'settings'">
            <p v-if="known[String(row.key)]" class="text-secondary" data-known>
              From the unit, unless you say otherwise: {{ known[String(row.key)] }}.
            </p>
            <GivenFields :model-value="row" @update:model-value="(r) => put(n, r)" />
            <SubRows
              :model-value="row"
              field="limits"
              title="Limits"
              fresh="New limit row"
              :start="{ basis: 'new parts' }"
              :columns="LIMIT"
              :path="`settings[${n}]`"
              :problems="problems"
              :options="options"
              @update:model-value="(r) => put(n, r)"
            />
          </template>
          <SubRows
            v-if="leaf === 'levers'"
            :model-value="row"
            field="positions"
            title="Positions"
            fresh="New position"
            :start="{}"
            :columns="POSITION"
            :path="`levers[${n}]`"
            :problems="problems"
            :options="options"
            @update:model-value="(r) => put(n, r)"
          />
          <div class="flex flex-wrap gap-2">
            <button type="button" class="control" :disabled="n === 0" @click="move(n, -1)">Up</button>
            <button type="button" class="control" :disabled="n === rows.length - 1" @click="move(n, 1)">
              Down
            </button>
            <button type="button" class="control" @click="rows = rows.filter((_, i) => i !== n)">
              Take it out
            </button>
          </div>
        </div>
      </li>
    </ol>
    <button type="button" class="control mt-3" data-add @click="add">{{ fresh }}</button>
  </div>
</template>
