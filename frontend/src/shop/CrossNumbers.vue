<script setup lang="ts">
/** The shop's cross-reference of part numbers. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { reactive } from "vue";
import { api, newId, unwrap } from "../api/client";
import { useSending } from "../composables/useSending";
import SendingProblem from "../ui/SendingProblem.vue";
import { keepAnswer } from "../composables/keepAnswer";

const client = useQueryClient();
const sending = useSending();
const { send } = sending;
const { data } = useQuery({
  queryKey: ["cross-numbers"],
  queryFn: () => unwrap(api.GET("/api/cross-numbers")),
});
const pair = reactive({ number: "", other: "", words: "" });
const write = (body: { number?: string; other?: string; words?: string; strike?: string }) => {
  const sent = { id: newId(), number: "", other: "", words: "", strike: "", ...body };
  return send(async (header) => {
    const rows = await unwrap(api.POST("/api/cross-numbers", { params: { header }, body: sent }));
    await keepAnswer(client, ["cross-numbers"], rows);
  });
};
async function add() {
  if (await write({ ...pair })) Object.assign(pair, { number: "", other: "", words: "" });
}
</script>

<template>
  <section class="mt-8" data-cross-numbers>
    <h2 class="zone-head">Numbers that stand for each other</h2>
    <form class="mt-2 grid gap-3 sm:grid-cols-[1fr_1fr_2fr_auto]" @submit.prevent="add">
      <label>Number<input v-model="pair.number" class="field" name="number" required /></label>
      <label>stands for<input v-model="pair.other" class="field" name="other" required /></label>
      <label>What differs<input v-model="pair.words" class="field" name="words" /></label>
      <button type="submit" class="control self-end">Write it down</button>
    </form>
    <ul class="mt-3">
      <li
        v-for="r in data ?? []"
        :key="r.id"
        class="grid items-center gap-x-4 border-b-2 border-row py-2 sm:grid-cols-[1fr_1fr_2fr_auto]"
      >
        <strong class="text-[18px]">{{ r.number }}</strong>
        <strong class="text-[18px]">{{ r.other }}</strong>
        <span>{{ r.words }}</span>
        <button type="button" class="control" @click="write({ strike: r.id })">Strike</button>
      </li>
    </ul>
    <SendingProblem :sending="sending" />
  </section>
</template>
