<script setup lang="ts">
/** The yard in figures: jobs, hours by stage, waits, rounds against the best possible, shims. Nobody is scored. */
import { useQuery } from "@tanstack/vue-query";
import { computed, ref } from "vue";
import { RouterLink } from "vue-router";
import { api, unwrap } from "../api/client";
import WaitPage from "../stages/WaitPage.vue";
import ShopHeader from "../ui/ShopHeader.vue";

const since = ref("");
const until = ref("");
const asked = computed(() => ({ since: since.value, until: until.value }));
const { data, error } = useQuery({
  queryKey: computed(() => ["report", since.value, until.value]),
  queryFn: () => unwrap(api.GET("/api/yard/report", { params: { query: asked.value } })),
});
const csv = computed(() => `/api/yard/report.csv?${new URLSearchParams(asked.value).toString()}`);
const stages = computed(() =>
  (data.value?.stages ?? []).filter(([key]) => data.value?.jobs.some((j) => j.hours[key ?? ""])),
);
const total = (hours: Record<string, number>) => Object.values(hours).reduce((n, h) => n + h, 0);
const h = (n: number | undefined) => (n ? n.toFixed(1) : "");
</script>

<template>
  <ShopHeader title="Report" sub="the yard in figures; nobody is scored" />
  <WaitPage v-if="!data" bare :problem="error" />
  <main v-else class="px-5 py-4">
    <form class="flex flex-wrap items-end gap-3" @submit.prevent>
      <label class="w-[180px]">Since<input v-model="since" class="field" name="since" type="date" /></label>
      <label class="w-[180px]">Until<input v-model="until" class="field" name="until" type="date" /></label>
      <a class="control control-main" :href="csv" download>As CSV</a>
    </form>
    <p class="mt-2 text-[15px] text-secondary">
      Hours are the gaps between what was written down, none longer than half an hour: hands that write
      nothing are not seen.
    </p>
    <div class="relative mt-4 overflow-x-auto">
      <table class="w-full text-left text-[16px]" data-report-jobs>
        <caption class="zone-head text-left">
          Jobs, hours by stage
        </caption>
        <thead>
          <tr class="border-b-2">
            <th class="py-1 pr-4">Unit</th>
            <th class="pr-4">Received</th>
            <th class="pr-4">State</th>
            <th class="pr-4 text-right">Days</th>
            <th v-for="[key, words] in stages" :key="key" class="pr-4 text-right">{{ words }}</th>
            <th class="pr-4 text-right">Hours</th>
            <th class="pr-4 text-right">Waited, h</th>
            <th class="text-right">Order out, days</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="j in data.jobs" :key="j.job_id" class="border-b border-row">
            <td class="py-1 pr-4 font-semibold">
              <RouterLink class="underline" :to="`/jobs/${j.job_id}/record`">{{ j.tag }}</RouterLink>
            </td>
            <td class="pr-4 whitespace-nowrap">{{ j.opened }}</td>
            <td class="pr-4">{{ j.closed ? `closed ${j.closed}` : j.state }}</td>
            <td class="pr-4 text-right">{{ j.days }}</td>
            <td v-for="[key] in stages" :key="key" class="pr-4 text-right">{{ h(j.hours[key ?? ""]) }}</td>
            <td class="pr-4 text-right font-semibold">{{ h(total(j.hours)) }}</td>
            <td class="pr-4 text-right">{{ h(j.waited) }}</td>
            <td class="text-right">{{ j.orders_days || "" }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <div class="mt-6 grid gap-8 lg:grid-cols-2">
      <table class="self-start text-left text-[16px]" data-report-rounds>
        <caption class="zone-head text-left">
          Moves of signed settings, and the fewest there could have been
        </caption>
        <thead>
          <tr class="border-b-2">
            <th class="py-1 pr-4">Kind</th>
            <th class="pr-4 text-right">Signed</th>
            <th class="pr-4 text-right">Moves</th>
            <th class="text-right">Fewest</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in data.rounds" :key="r.kind" class="border-b border-row">
            <td class="py-1 pr-4">{{ r.title }}</td>
            <td class="pr-4 text-right">{{ r.signed }}</td>
            <td class="pr-4 text-right font-semibold">{{ r.moves }}</td>
            <td class="text-right">{{ r.best }}</td>
          </tr>
        </tbody>
      </table>
      <table class="self-start text-left text-[16px]" data-report-shims>
        <caption class="zone-head text-left">
          Shims used, mm
        </caption>
        <tbody>
          <tr v-for="s in data.shims" :key="s.form + s.thickness" class="border-b border-row">
            <td class="py-1 pr-4">{{ s.form }}</td>
            <td class="pr-4 text-right">{{ s.thickness }}</td>
            <td class="text-right font-semibold">{{ s.used }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </main>
</template>
