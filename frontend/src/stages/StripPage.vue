<script setup lang="ts">
/** Before anything is disturbed, and while it comes apart: as found, taken off, loose, photos, draft. */
import { computed, ref, toRef } from "vue";
import { useRouter } from "vue-router";
import { useKeys } from "../composables/useKeys";
import { useStrip } from "../composables/useStrip";
import { nextTheme } from "../composables/useTheme";
import KeyHelp from "../ui/KeyHelp.vue";
import ProblemLine from "../ui/ProblemLine.vue";
import SayLine from "../ui/SayLine.vue";
import ShellHeader from "../ui/ShellHeader.vue";
import StageTabs from "../ui/StageTabs.vue";
import DraftList from "./strip/DraftList.vue";
import FoundZone from "./strip/FoundZone.vue";
import LooseLedger from "./strip/LooseLedger.vue";
import PhotoWall from "./strip/PhotoWall.vue";
import RemovalZone from "./strip/RemovalZone.vue";
import WaitPage from "./WaitPage.vue";

type Tab = "found" | "off" | "loose" | "photos" | "draft";
const leaves: [Tab, string, string][] = [
  ["found", "As found", "1"],
  ["off", "Take off", "2"],
  ["loose", "Loose items", "3"],
  ["photos", "Photos", "4"],
  ["draft", "Build order", "5"],
];
const props = defineProps<{ job: string }>();
const desk = useStrip(toRef(props, "job"));
const { view, problem, retry } = desk;
const router = useRouter();
const tab = ref<Tab>("found");
const help = ref<"keys" | "cautions" | null>(null);
const counts = computed<Record<Tab, number>>(() => ({
  found: view.value?.baselines.filter((b) => b.state === "open").length ?? 0,
  off: view.value?.parts.filter((p) => p.off > 0 && p.off < p.count).length ?? 0,
  loose: view.value?.loose.filter((i) => i.open).length ?? 0,
  photos: 0,
  draft: 0,
}));
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
  ["1 … 5", "As found, take off, loose, photos, build order"],
  ["Enter", "Write down what the form holds"],
  ["arrows, Space", "On a flank: move, paint or wipe; Shift paints on"],
  ["a", "Cautions"],
  ["/", "Search the yard"],
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
      here="strip"
    />
    <SayLine
      :say="view.say"
      eyebrow="Strip"
      :head="view.job.stands === 'field' ? (view.locked_out ? 'Locked out' : 'In the field') : ''"
      :aside="view.locked_out || (view.cautions[0] ?? '')"
    />
    <StageTabs v-model="tab" label="Strip" :leaves="leaves" :counts="counts" @cautions="help = 'cautions'" />
    <FoundZone v-if="tab === 'found'" :desk="desk" :view="view" />
    <RemovalZone v-else-if="tab === 'off'" :desk="desk" :view="view" />
    <LooseLedger v-else-if="tab === 'loose'" :desk="desk" :view="view" />
    <PhotoWall v-else-if="tab === 'photos'" :desk="desk" :view="view" />
    <DraftList v-else :view="view" />
    <ProblemLine
      v-if="problem && problem.field !== 'let_go'"
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
