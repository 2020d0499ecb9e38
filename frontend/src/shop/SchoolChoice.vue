<script setup lang="ts">
/** Where good mechanics differ: one of two for this job, with what each means. */
import { useQuery } from "@tanstack/vue-query";
import { api, unwrap } from "../api/client";

const chosen = defineModel<Record<string, string>>({ required: true });
const { data } = useQuery({
  queryKey: ["schools"],
  queryFn: () => unwrap(api.GET("/api/schools")),
  staleTime: Infinity,
});
const pick = (key: string, school: string) => (chosen.value = { ...chosen.value, [key]: school });
</script>

<template>
  <section>
    <h2 class="zone-head">Schools for this job</h2>
    <fieldset v-for="q in data ?? []" :key="q.key" class="border-b-2 border-row py-2">
      <legend class="float-left w-full text-secondary">{{ q.label }}</legend>
      <label
        v-for="[school, does, means] in [
          ['A', q.a, q.a_means],
          ['B', q.b, q.b_means],
        ]"
        :key="school"
        class="flex min-h-11 clear-both cursor-pointer items-start gap-3 py-1"
      >
        <input
          type="radio"
          class="mt-1 h-5 w-5 shrink-0"
          :name="`school-${q.key}`"
          :value="school"
          :checked="(chosen[q.key] ?? 'A') === school"
          @change="pick(q.key, school!)"
        />
        <span
          ><span class="block font-bold leading-tight">{{ does }}</span
          ><span class="text-[15px] leading-tight">{{ means }}</span></span
        >
      </label>
    </fieldset>
  </section>
</template>
