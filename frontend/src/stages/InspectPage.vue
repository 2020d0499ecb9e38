<script setup lang="ts">
/** Verdicts on parts, the cause of failure, orders and gauges. */
import { computed, ref, toRef } from "vue";
import { useRouter } from "vue-router";
import { useInspect } from "../composables/useInspect";
import { useKeys } from "../composables/useKeys";
import { nextTheme } from "../composables/useTheme";
import KeyHelp from "../ui/KeyHelp.vue";
import ProblemLine from "../ui/ProblemLine.vue";
import SayLine from "../ui/SayLine.vue";
import ShellHeader from "../ui/ShellHeader.vue";
import StageTabs from "../ui/StageTabs.vue";
import CauseZone from "./inspect/CauseZone.vue";
import GaugeZone from "./inspect/GaugeZone.vue";
import OrderZone from "./inspect/OrderZone.vue";
import PartsZone from "./inspect/PartsZone.vue";
import SectionZone from "./inspect/SectionZone.vue";
import WaitPage from "./WaitPage.vue";

type Tab = "parts" | "section" | "cause" | "orders" | "gauges";
const leaves: [Tab, string, string][] = [
  ["parts", "Parts", "p"],
  ["section", "Section", "s"],
  ["cause", "Cause of failure", "c"],
  ["orders", "Orders", "o"],
  ["gauges", "Tools and gauges", "g"],
];
const props = defineProps<{ job: string }>();
const desk = useInspect(toRef(props, "job"));
const { view, problem, retry } = desk;
const router = useRouter();
const tab = ref<Tab>("parts");
const picked = ref<string | null>(null);
function openPart(key: string) {
  picked.value = key;
  tab.value = "parts";
}
const help = ref<"keys" | "cautions" | null>(null);
const counts = computed(() => ({
  section: 0,
  parts: view.value ? view.value.parts.length - view.value.judged : 0,
  cause: view.value?.holds.filter((h) => !h.cleared).length ?? 0,
  orders: view.value?.orders.filter((o) => o.late).length ?? 0,
  gauges: view.value?.gauges.filter((g) => !g.enough).length ?? 0,
}));
const aside = computed(() => {
  const n = view.value?.not_checked.length ?? 0;
  return n ? `Could not be checked: ${view.value?.not_checked.join("; ")}` : (view.value?.cautions[0] ?? "");
});
useKeys((event) => {
  const wanted = leaves.find(([, , typed]) => typed === event.key);
  if (wanted) tab.value = wanted[0];
  else if (event.key === "?") help.value = "keys";
  else if (event.key === "a") help.value = "cautions";
  else if (event.key === "t") nextTheme();
  else if (event.key === "b") void router.push("/");
  else if (event.key === "/") void router.push("/search");
  else return false;
  return true;
});
const KEYS: [string, string][] = [
  ["1 … 6", "Grade what is asked: sound, dress, worn within, worn beyond, unsafe, could not be checked"],
  ["0", "All that is not graded yet is sound"],
  ["Enter", "Go by the school's verdict, on to the next part"],
  ["↑ ↓", "Another look-for"],
  ["← →", "Another part"],
  ["p s c o g", "Parts, section, cause, orders, gauges"],
  ["a", "Cautions"],
  ["b", "Board"],
];
</script>

<template>
  <WaitPage v-if="!view" :problem="desk.query.error.value" />
  <div v-else class="flex min-h-full flex-col">
    <ShellHeader
      :job="job"
      :tag="view.job.tag"
      :title="view.job.unit_name"
      :sub="view.job.complaint"
      here="inspect"
    />
    <SayLine
      :say="view.say"
      low
      :head="`${view.judged} of ${view.parts.length} parts judged`"
      :aside="aside"
    />
    <StageTabs
      v-model="tab"
      label="Inspect"
      :leaves="leaves"
      :counts="counts"
      @cautions="help = 'cautions'"
    />
    <PartsZone v-if="tab === 'parts'" v-model="picked" :desk="desk" :view="view" />
    <SectionZone v-else-if="tab === 'section'" :view="view" @part="openPart" />
    <CauseZone v-else-if="tab === 'cause'" :desk="desk" :view="view" />
    <OrderZone v-else-if="tab === 'orders'" :desk="desk" :view="view" />
    <GaugeZone v-else :view="view" />
    <ProblemLine
      v-if="problem"
      :problem="problem"
      :can-retry="retry !== null"
      @retry="retry?.()"
      @let-go="desk.letGo"
    />
    <KeyHelp :open="help === 'keys'" title="Keys" :rows="KEYS" @close="help = null" />
    <KeyHelp
      :open="help === 'cautions'"
      title="Cautions"
      :rows="view.cautions.map((c) => ['', c])"
      @close="help = null"
    />
  </div>
</template>
