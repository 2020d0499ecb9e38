<script setup lang="ts">
/** The gear train: what every position must give and what was counted, levers, timing marks, pairs. */
import { computed, ref, toRef, watch } from "vue";
import { useZone } from "../../composables/useZone";
import StageShell from "../../ui/StageShell.vue";
import WaitPage from "../WaitPage.vue";
import LeversLeaf from "./LeversLeaf.vue";
import MarksLeaf from "./MarksLeaf.vue";
import PairsLeaf from "./PairsLeaf.vue";
import TurnsLeaf from "./TurnsLeaf.vue";
import { useTrain } from "./useTrain";

type Tab = "turns" | "levers" | "marks" | "pairs";
const ALL: [Tab, string, string][] = [
  ["turns", "Turns", "n"],
  ["levers", "Levers", "l"],
  ["marks", "Timing marks", "m"],
  ["pairs", "Pairs", "p"],
];
const KEYS: [string, string][] = [
  ["↑ ↓", "Another position, another row"],
  ["digits", "Turns counted, with a point for parts of one"],
  ["c v", "It turned clockwise, counter-clockwise"],
  ["s k", "It stood still, it locks"],
  ["y x", "The levers went, did not go; the mark stands right, is out"],
  ["Enter", "Take it"],
  ["n l m p", "Turns, levers, timing marks, pairs"],
];
const props = defineProps<{ job: string }>();
const desk = useTrain(toRef(props, "job"));
const { view, problem, retry } = desk;
const sheet = computed(() => view.value?.sheet);
const leaves = computed(() =>
  ALL.filter(
    ([key]) =>
      (key === "turns" && (sheet.value?.positions.length || !sheet.value?.timing.length)) ||
      (key === "levers" && sheet.value?.levers.length) ||
      (key === "marks" && sheet.value?.timing.length) ||
      (key === "pairs" && sheet.value?.pairs.length),
  ),
);
/** It opens where the sentence points; after that it stays where the mechanic is. */
const first = ref<Tab>();
watch(sheet, (now) => (first.value ??= now?.leaf as Tab | undefined), { immediate: true });
const tab = useZone<Tab>(
  () => first.value ?? "turns",
  ALL.map(([key]) => key),
);
const open = (rows: { code: string }[] | undefined) => rows?.filter((r) => r.code !== "in").length ?? 0;
const counts = computed(() => ({
  turns: open(sheet.value?.positions),
  levers: open(sheet.value?.levers),
  marks: open(sheet.value?.timing),
}));
</script>

<template>
  <WaitPage v-if="!view || !sheet" :problem="desk.query.error.value" />
  <StageShell
    v-else
    v-model="tab"
    :job="view.job"
    here="mesh"
    label="Gear train"
    low
    :say="sheet.say"
    :head="sheet.aside"
    :aside="
      sheet.positions.length ? 'The input goes clockwise; each shaft is seen from its left or top end.' : ''
    "
    :leaves="leaves"
    :counts="counts"
    :cautions="view.cautions"
    :keys="KEYS"
    :problem="problem"
    :can-retry="retry !== null"
    @retry="retry?.()"
    @let-go="desk.letGo"
  >
    <div v-if="sheet.faults.length > 1" class="border-b-2 px-5 py-2" data-faults>
      <h2 class="zone-head">It would count the same with</h2>
      <p v-for="f in sheet.faults.slice(1)" :key="f.words" class="py-1 text-[18px]">{{ f.words }}</p>
    </div>
    <ul v-if="sheet.warnings.length" class="border-b-2 px-5 py-2" data-warnings>
      <li v-for="w in sheet.warnings" :key="w" class="py-1 text-[17px] font-semibold text-danger">{{ w }}</li>
    </ul>
    <TurnsLeaf v-if="tab === 'turns'" :view="view" :desk="desk" />
    <LeversLeaf v-else-if="tab === 'levers'" :rows="sheet.levers" :desk="desk" />
    <MarksLeaf v-else-if="tab === 'marks'" :view="view" :desk="desk" />
    <PairsLeaf v-else :rows="sheet.pairs" />
  </StageShell>
</template>
