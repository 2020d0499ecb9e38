<script setup lang="ts">
/** The day in one line on the board: when a hand is next free, and which unit will be late. */
import { useQuery } from "@tanstack/vue-query";
import { computed } from "vue";
import { RouterLink } from "vue-router";
import { api, unwrap } from "../api/client";
import { clockOf } from "./dayClock";

const { data } = useQuery({
  queryKey: ["today"],
  queryFn: () => unwrap(api.GET("/api/today")),
  refetchInterval: 30_000,
});
const when = (stamp: string | null) => clockOf(stamp ?? "", data.value?.now ?? "");
const late = computed(() => data.value?.finishes.filter((f) => f.late) ?? []);
const free = computed(() => {
  const at = data.value?.free_at ?? "";
  return at && at <= (data.value?.now ?? "") ? "now" : when(at);
});
</script>

<template>
  <p
    v-if="data?.hands.length"
    class="flex flex-wrap items-baseline gap-x-6 border-b-2 px-5 py-2 text-[18px] font-semibold"
    data-day-line
  >
    <RouterLink to="/today" class="underline">Next free hand: {{ free || "no hands today" }}</RouterLink>
    <RouterLink v-for="f in late" :key="f.job" :to="`/jobs/${f.job}/plan`" class="text-danger underline"
      >{{ f.tag }} late: {{ f.finish ? `whole ${when(f.finish)}` : "no end yet" }}, promised
      {{ f.due }}</RouterLink
    >
  </p>
</template>
