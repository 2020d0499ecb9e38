<script setup lang="ts">
/** A lot of shims measured: the advice then goes by what they measure instead of their nominal. */
import { useQueryClient } from "@tanstack/vue-query";
import { reactive } from "vue";
import { api, newId, unwrap } from "../api/client";
import { useSending } from "../composables/useSending";
import { keepAnswer } from "../composables/keepAnswer";

defineProps<{ forms: string[] }>();
const client = useQueryClient();
const draft = reactive({ form: "", thickness: "", measured: "" });
const { trouble, send } = useSending();
async function write() {
  const body = { id: newId(), ...draft };
  await send(async (header) => {
    await keepAnswer(
      client,
      ["drawer"],
      await unwrap(api.POST("/api/drawer/measures", { params: { header }, body })),
    );
    await client.invalidateQueries({ queryKey: ["wanted"] });
    Object.assign(draft, { thickness: "", measured: "" });
  });
}
</script>

<template>
  <form class="mt-6 flex flex-col gap-3" data-mike @submit.prevent="write">
    <h2 class="zone-head">Miked</h2>
    <label>Form<input v-model="draft.form" class="field" name="mike-form" list="forms" required /></label>
    <label
      >Nominal<input v-model="draft.thickness" class="field" name="nominal" placeholder="0.50" required
    /></label>
    <label
      >It measures<input v-model="draft.measured" class="field" name="measured" placeholder="0.497" required
    /></label>
    <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
    <button type="submit" class="control">Write what it measures</button>
  </form>
</template>
