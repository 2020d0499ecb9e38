<script setup lang="ts">
/** Where good mechanics differ: one of two for this job; what the chosen one means stands below. */
import { useQuery } from "@tanstack/vue-query";
import { api, unwrap, type SchoolQuestion } from "../api/client";

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
    <fieldset v-for="q in data ?? []" :key="q.key" class="border-b-2 border-row py-1">
      <legend class="float-left w-full font-bold">{{ q.label }}</legend>
      <div class="clear-both flex flex-wrap gap-x-5">
        <label
          v-for="[key, does] in [
            ['A', q.a],
            ['B', q.b],
          ]"
          :key="key"
          class="flex min-h-11 cursor-pointer items-center gap-2"
        >
          <input
            type="radio"
            class="h-5 w-5 shrink-0"
            :name="`school-${q.key}`"
            :value="key"
            :checked="school(q) === key"
            @change="pick(q.key, key ?? 'A')"
          />
          {{ does }}</label
        >
      </div>
      <p class="text-[15px] leading-tight text-secondary">{{ school(q) === "B" ? q.b_means : q.a_means }}</p>
    </fieldset>
  </section>
</template>
