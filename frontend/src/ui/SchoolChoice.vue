<script setup lang="ts">
/** Where good mechanics differ: one of two for this job; what the chosen one means stands below. */
import { useQuery } from "@tanstack/vue-query";
import { api, unwrap, type SchoolQuestion } from "../api/client";
import RadioRow from "./RadioRow.vue";

const chosen = defineModel<Record<string, string>>({ required: true });
const { data } = useQuery({
  queryKey: ["schools"],
  queryFn: () => unwrap(api.GET("/api/schools")),
  staleTime: Infinity,
});
const pick = (key: string, school: string) => (chosen.value = { ...chosen.value, [key]: school });
const school = (q: SchoolQuestion) => chosen.value[q.key] ?? "A";
</script>

<template>
  <section>
    <h2 class="zone-head">Schools for this job</h2>
    <div v-for="q in data ?? []" :key="q.key" class="border-b-2 border-row py-1">
      <RadioRow
        :model-value="school(q)"
        :name="`school-${q.key}`"
        :label="q.label"
        :options="[
          ['A', q.a],
          ['B', q.b],
        ]"
        @update:model-value="(key: string) => pick(q.key, key)"
      />
      <p class="text-[15px] leading-tight text-secondary">{{ school(q) === "B" ? q.b_means : q.a_means }}</p>
    </div>
  </section>
</template>
