<script setup lang="ts">
/** The limit rows of a setting: for which serials and which parts, from which source. */
import { computed } from "vue";
import { LIMIT, type Column, type Row } from "./columns";
import RowFields from "./RowFields.vue";

const row = defineModel<Row>({ required: true });
defineProps<{ path: string; problems: Record<string, string> }>();
const limits = computed(() => (row.value["limits"] ?? []) as Row[]);
const put = (rows: Row[]) => (row.value = { ...row.value, limits: rows });
const fixed = (c: Column) => (Array.isArray(c.options) ? c.options : []);
</script>

<template>
  <fieldset class="border-t-2 pt-2" data-limits>
    <legend class="zone-head">Limits</legend>
    <div v-for="(limit, n) in limits" :key="n" class="border-b-2 border-row pb-3">
      <RowFields
        :model-value="limit"
        :columns="LIMIT"
        :path="`${path}.limits[${n}]`"
        :problems="problems"
        :options="fixed"
        @update:model-value="(l) => put(limits.map((x, i) => (i === n ? l : x)))"
      />
      <button type="button" class="control mt-2" @click="put(limits.filter((_, i) => i !== n))">
        Take this row out
      </button>
    </div>
    <button type="button" class="control mt-2" @click="put([...limits, { basis: 'new parts' }])">
      New limit row
    </button>
  </fieldset>
</template>
