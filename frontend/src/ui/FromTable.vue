<script setup lang="ts">
/** A row of the shop's own limit tables put into a form, with its source and revision. */
import { useQuery } from "@tanstack/vue-query";
import { computed } from "vue";
import { api, unwrap } from "../api/client";
import PickBox from "./PickBox.vue";

const props = defineProps<{ kind: string }>();
const emit = defineEmits<{ put: [given: Record<string, string>] }>();
const { data } = useQuery({
  queryKey: ["limit-tables"],
  queryFn: () => unwrap(api.GET("/api/limit-tables")),
});
const rows = computed(() =>
  (data.value ?? [])
    .filter((t) => t.kind === props.kind)
    .flatMap((t) => t.rows.map((r) => ({ ...r, key: `${t.name}/${r.row}`, table: t.name }))),
);
const options = computed(() =>
  rows.value.map(
    (r) =>
      [r.key, `${r.table}, ${r.row}: ${[r.range, r.words].filter(Boolean).join(", ")}`] as [string, string],
  ),
);
const chosen = computed({
  get: () => "",
  set: (key: string) => {
    const row = rows.value.find((r) => r.key === key);
    if (row) emit("put", row.given);
  },
});
</script>

<template>
  <PickBox
    v-if="rows.length"
    v-model="chosen"
    name="from-table"
    label="From a table of the shop"
    :options="options"
    empty="choose a row"
  />
</template>
