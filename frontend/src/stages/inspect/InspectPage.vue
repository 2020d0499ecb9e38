<script setup lang="ts">
/** Verdicts on parts, the cause of failure, orders and gauges. */
import { computed, ref, toRef } from "vue";
import { useZone } from "../../composables/useZone";
import { useInspect } from "./useInspect";
import FactZone from "../../ui/FactZone.vue";
import StageShell from "../../ui/StageShell.vue";
import CauseZone from "./CauseZone.vue";
import GaugeZone from "./GaugeZone.vue";
import OrderZone from "./OrderZone.vue";
import PartsZone from "./PartsZone.vue";
import SectionZone from "./SectionZone.vue";
import WaitPage from "../WaitPage.vue";

type Tab = "parts" | "section" | "cause" | "orders" | "gauges";
const leaves: [Tab, string, string][] = [
  ["parts", "Parts", "p"],
  ["section", "Section", "s"],
  ["cause", "Cause of failure", "c"],
  ["orders", "Orders", "o"],
  ["gauges", "Tools and gauges", "g"],
];
const KEYS: [string, string][] = [
  ["1 … 6", "Grade what is asked: sound, dress, worn within, worn beyond, unsafe, could not be checked"],
  ["0", "All that is not graded yet is sound"],
  ["Enter", "Go by the school's verdict, on to the next part"],
  ["↑ ↓", "Another look-for"],
  ["← →", "Another part"],
  ["p s c o g", "Parts, section, cause, orders, gauges"],
];
const props = defineProps<{ job: string }>();
const desk = useInspect(toRef(props, "job"));
const { view, problem, retry } = desk;
const tab = useZone<Tab>(
  "parts",
  leaves.map(([key]) => key),
);
const picked = ref<string | null>(null);
function openPart(key: string) {
  picked.value = key;
  tab.value = "parts";
}
const counts = computed(() => ({
  parts: view.value ? view.value.parts.length - view.value.judged : 0,
  cause: view.value?.holds.filter((h) => !h.cleared).length ?? 0,
  orders: view.value?.orders.filter((o) => o.late).length ?? 0,
  gauges: view.value?.gauges.filter((g) => !g.enough).length ?? 0,
}));
const aside = computed(() =>
  view.value?.not_checked.length
    ? `Could not be checked: ${view.value.not_checked.join("; ")}`
    : (view.value?.cautions[0] ?? ""),
);
</script>

<template>
  <WaitPage v-if="!view" :problem="desk.query.error.value" />
  <StageShell
    v-else
    v-model="tab"
    :job="view.job"
    here="inspect"
    label="Inspect"
    low
    :say="view.say"
    :head="`${view.judged} of ${view.parts.length} parts judged`"
    :aside="aside"
    :leaves="leaves"
    :counts="counts"
    :cautions="view.cautions"
    :keys="KEYS"
    :problem="problem"
    :can-retry="retry !== null"
    @retry="retry?.()"
    @let-go="desk.letGo"
  >
    <template v-if="tab === 'parts'">
      <PartsZone v-model="picked" :desk="desk" :view="view" />
      <FactZone :offered="view.offered" :written="view.written" :write="desk.put" />
    </template>
    <SectionZone v-else-if="tab === 'section'" :view="view" @part="openPart" />
    <CauseZone v-else-if="tab === 'cause'" :desk="desk" :view="view" />
    <OrderZone v-else-if="tab === 'orders'" :desk="desk" :view="view" />
    <GaugeZone v-else :view="view" />
  </StageShell>
</template>
