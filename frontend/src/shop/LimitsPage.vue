<script setup lang="ts">
/** The shop's own limit tables: CSV in and out, by machine size or bore; jobs keep the rows they were given. */
import { at } from "../api/rigAddress";
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, reactive } from "vue";
import { api, newId, unwrap } from "../api/client";
import { useSending } from "../composables/useSending";
import WaitPage from "../stages/WaitPage.vue";
import PickBox from "../ui/PickBox.vue";
import ShopHeader from "../ui/ShopHeader.vue";
import { keepAnswer } from "../composables/keepAnswer";

const client = useQueryClient();
const { data, error } = useQuery({
  queryKey: ["limit-tables"],
  queryFn: () => unwrap(api.GET("/api/limit-tables")),
});
const kinds = useQuery({
  queryKey: ["bench-kinds"],
  queryFn: () => unwrap(api.GET("/api/jobs/bench-kinds")),
});
const draft = reactive({ name: "", kind: "", source: "", csv: "" });
const options = computed(() => (kinds.data.value ?? []).map((k) => [k.id, k.title] as [string, string]));
const { trouble, send } = useSending();
async function chosen(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0];
  if (file) draft.csv = await file.text();
}
async function write() {
  const seen = data.value?.find((t) => t.name === draft.name.trim())?.number ?? 0;
  await send(async (header) => {
    const body = { id: newId(), ...draft, seen };
    await keepAnswer(
      client,
      ["limit-tables"],
      await unwrap(api.POST("/api/limit-tables", { params: { header }, body })),
    );
    Object.assign(draft, { name: "", csv: "" });
  });
}
</script>

<template>
  <ShopHeader
    title="Limit tables"
    sub="the shop's own, with source and revision; a job keeps the row it was given"
  />
  <WaitPage bare v-if="!data" :problem="error" />
  <main v-else class="grid gap-8 px-5 py-5 lg:grid-cols-[1fr_380px]">
    <div class="min-w-0">
      <p v-if="!data.length" class="text-[18px]">
        No table yet. Write one beside, or paste it from a spreadsheet as CSV.
      </p>
      <section v-for="t in data" :key="t.name" class="mb-6" :data-limit-table="t.name">
        <h2 class="zone-head flex flex-wrap items-baseline gap-x-4 border-b-2 pb-1">
          {{ t.name }}, revision {{ t.number }}
          <a
            class="text-[15px] underline"
            :href="at(`/api/limit-tables/${encodeURIComponent(t.name)}/table.csv`)"
            >CSV</a
          >
        </h2>
        <p class="text-secondary">{{ t.kind_title }} · {{ t.source }}</p>
        <table class="mt-1 w-full text-left">
          <tbody>
            <tr v-for="r in t.rows" :key="r.row" class="border-b border-row max-sm:block max-sm:py-1">
              <td class="w-[150px] py-1.5 pr-3 text-[18px] font-bold max-sm:inline-block max-sm:w-auto">
                {{ r.row }}
              </td>
              <td class="w-[170px] text-secondary max-sm:inline-block max-sm:w-auto">{{ r.range }}</td>
              <td class="wrap-anywhere max-sm:block">{{ r.words }}</td>
            </tr>
          </tbody>
        </table>
      </section>
    </div>
    <form class="flex flex-col gap-3 lg:border-l-2 lg:pl-6" data-write-limits @submit.prevent="write">
      <h2 class="zone-head">A table, or its next revision</h2>
      <label
        >Name<input v-model="draft.name" class="field" name="name" maxlength="60" required autocomplete="off"
      /></label>
      <PickBox v-model="draft.kind" name="kind" label="It limits" :options="options" required />
      <label
        >Source<input v-model="draft.source" class="field" name="source" maxlength="200" required
      /></label>
      <label
        >Rows as CSV<textarea
          v-model="draft.csv"
          class="field py-2 font-mono text-[15px]"
          name="csv"
          rows="8"
          required
          placeholder="row,over,incl,axial,radial"
        ></textarea>
      </label>
      <label class="control"
        >From a file<input type="file" accept=".csv,text/csv" class="sr-only" @change="chosen"
      /></label>
      <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
      <button type="submit" class="control control-main">Write the table</button>
    </form>
  </main>
</template>
