<script setup lang="ts">
/** A gauge's card: new, or brought up to date under the same mark. */
import { useQueryClient } from "@tanstack/vue-query";
import { computed, reactive, watch } from "vue";
import { api, unwrap } from "../api/client";
import { useSending } from "../composables/useSending";
import PickBox from "../ui/PickBox.vue";
import { typedNumber } from "../ui/typedNumber";
import { keepAnswer } from "../composables/keepAnswer";

interface Measure {
  words: string;
  units: string[];
  takes: [string, string][];
}
const LENGTH: Measure = {
  words: "a length",
  units: ["mm", "thou", "in"],
  takes: [
    ["travel", "travel: a dial, a lever"],
    ["outside", "outside size"],
    ["inside", "inside size"],
    ["depth", "depth"],
    ["gap", "gap: feeler blades"],
  ],
};
const MEASURES: Record<string, Measure> = {
  length: LENGTH,
  force: { words: "a force", units: ["N", "kgf", "lbf"], takes: [["force", "force"]] },
  torque: { words: "a torque", units: ["N·m", "N·cm", "lb·in", "lb·ft"], takes: [["torque", "torque"]] },
  angle: { words: "an angle", units: ["deg"], takes: [["angle", "angle"]] },
  time: { words: "a time", units: ["s"], takes: [["time", "time"]] },
};
const client = useQueryClient();
const draft = reactive({
  id: "",
  name: "",
  quantity: "length",
  takes: ["travel"],
  unit: "mm",
  division: "0.01",
  interpolation: "0.5",
  calibration: "0.002",
  due: "",
});
const { trouble, send } = useSending();
const fields: ["id" | "name" | "division" | "interpolation" | "calibration" | "due", string][] = [
  ["id", "Mark on the gauge"],
  ["name", "Name"],
  ["division", "One division"],
  ["interpolation", "Read to, share of a division"],
  ["calibration", "Calibration u, mm or its own base unit"],
  ["due", "Due, year-month-day"],
];
const measure = computed(() => MEASURES[draft.quantity] ?? LENGTH);
const pairs = (words: string[]) => words.map((w) => [w, w] as [string, string]);
watch(
  () => draft.quantity,
  () => {
    draft.unit = measure.value.units[0] ?? "";
    draft.takes = measure.value.takes.slice(0, 1).map(([key]) => key);
  },
);
const decimal = (typed: string) => typedNumber(typed, 0);
async function write() {
  const body = {
    id: draft.id,
    name: draft.name,
    quantity: draft.quantity as "length",
    takes: draft.takes,
    unit: draft.unit,
    division: decimal(draft.division),
    interpolation: decimal(draft.interpolation),
    calibration_u: decimal(draft.calibration),
    due: draft.due,
  };
  await send(async (header) => {
    const answer = await unwrap(api.POST("/api/gauges", { params: { header }, body }));
    await keepAnswer(client, ["gauges"], answer);
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
    <PickBox
      v-model="draft.quantity"
      name="quantity"
      label="It measures"
      :options="Object.entries(MEASURES).map(([key, m]) => [key, m.words] as [string, string])"
    />
    <PickBox v-model="draft.takes" name="takes" label="It can take" :options="measure.takes" />
    <PickBox v-model="draft.unit" name="unit" label="Unit" :options="pairs(measure.units)" />
    <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
    <button type="submit" class="control control-main">Write the card</button>
  </form>
</template>
