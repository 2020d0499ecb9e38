<script setup lang="ts">
/** A seal's running track: clear of the groove, lip to the oil, cavity filled in part. */
import { reactive } from "vue";
import type { InspectPart } from "../../api/client";
import type { InspectDesk } from "./useInspect";
import PickBox from "../../ui/PickBox.vue";
import { typedNumber } from "../../ui/typedNumber";

const props = defineProps<{ desk: InspectDesk; part: InspectPart; unit: string }>();
const old = props.part.seal;
const seal = reactive({
  found: old?.found ?? "",
  planned: old?.planned ?? "",
  groove: old?.groove ?? "",
  lip: old?.lip ?? "",
  oil: old?.oil ?? "",
  other: old?.other ?? "",
  fill: old?.fill != null ? String(Math.round(old.fill * 100)) : "",
});
const lengths: ["found" | "planned" | "groove", string][] = [
  ["found", "Depth as found"],
  ["planned", "Depth of the new one"],
  ["groove", "Width of the worn track"],
];
const WAYS = [
  ["inward", "inward"],
  ["outward", "outward"],
] as const;
const sides: ["lip" | "oil", string][] = [
  ["lip", "Sealing lip faces"],
  ["oil", "The oil is"],
];
const share = (percent: number | null) => (typeof percent === "number" ? percent / 100 : percent);
const keep = () =>
  props.desk.write("seal_set", {
    part: props.part.key,
    ...seal,
    fill: share(typedNumber(seal.fill, null)),
  });
</script>

<template>
  <form
    class="grid gap-3 border-t-2 px-5 py-3 sm:grid-cols-3 xl:grid-cols-4"
    data-seal
    @submit.prevent="keep"
  >
    <h3 class="zone-head sm:col-span-3 xl:col-span-4">Running track</h3>
    <label v-for="[key, words] in lengths" :key="key"
      >{{ words }} ({{ unit }})<input v-model="seal[key]" class="field" :name="key" required
    /></label>
    <PickBox
      v-for="[key, words] in sides"
      :key="key"
      v-model="seal[key]"
      :name="key"
      :label="words"
      :options="WAYS"
      required
    />
    <label
      >On the other side<input
        v-model="seal.other"
        class="field"
        name="other"
        placeholder="grease, air, water"
    /></label>
    <label>Cavity filled, %<input v-model="seal.fill" class="field" name="fill" inputmode="decimal" /></label>
    <button type="submit" class="control self-end">Work it out</button>
    <ul v-if="part.seal" class="sm:col-span-3 xl:col-span-4" data-seal-words>
      <li v-for="w in part.seal.words" :key="w" class="text-[19px] font-bold">{{ w }}</li>
    </ul>
  </form>
</template>
