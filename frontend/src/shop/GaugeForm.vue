<script setup lang="ts">
/** A gauge's card: new, or brought up to date under the same mark. */
import { useQueryClient } from "@tanstack/vue-query";
import { reactive } from "vue";
import { api, unwrap } from "../api/client";
import { useSending } from "../composables/useSending";
import PickBox from "../ui/PickBox.vue";
import { typedNumber } from "../ui/typedNumber";

const UNITS = [
  ["mm", "mm"],
  ["thou", "thou"],
  ["in", "in"],
] as const;
const client = useQueryClient();
const draft = reactive({
  id: "",
  name: "",
  unit: "mm",
  division: "0.01",
  interpolation: "0.5",
  calibration: "0.002",
  due: "",
});
const { trouble, send } = useSending();
const fields: [keyof typeof draft, string][] = [
  ["id", "Mark on the gauge"],
  ["name", "Name"],
  ["division", "One division"],
  ["interpolation", "Read to, share of a division"],
  ["calibration", "Calibration u, mm"],
  ["due", "Due, year-month-day"],
];
const decimal = (typed: string) => typedNumber(typed, 0);
async function write() {
  const body = {
    id: draft.id,
    name: draft.name,
    quantity: "length" as const,
    unit: draft.unit,
    division: decimal(draft.division),
    interpolation: decimal(draft.interpolation),
    calibration_u: decimal(draft.calibration),
    due: draft.due,
  };
  await send(async (header) => {
    const answer = await unwrap(api.POST("/api/gauges", { params: { header }, body }));
    client.setQueryData(["gauges"], answer);
  });
}
</script>

<template>
  <form class="flex flex-col gap-3 lg:border-l-2 lg:pl-6" @submit.prevent="write">
    <h2 class="zone-head">A gauge's card</h2>
    <label v-for="[key, words] in fields" :key="key"
      >{{ words
      }}<input v-model="draft[key]" class="field" :name="key" :required="key !== 'due'" autocomplete="off"
    /></label>
    <PickBox v-model="draft.unit" name="unit" label="Unit" :options="UNITS" />
    <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
    <button type="submit" class="control control-main">Write the card</button>
  </form>
</template>
