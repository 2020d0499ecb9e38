<script setup lang="ts">
/** Before anything is disturbed, and while it comes apart: as found, taken off, loose, photos, draft. */
import { computed, toRef } from "vue";
import { useZone } from "../../composables/useZone";
import { useStrip } from "./useStrip";
import FactZone from "../../ui/FactZone.vue";
import StageShell from "../../ui/StageShell.vue";
import DraftList from "./DraftList.vue";
import FoundZone from "./FoundZone.vue";
import LooseLedger from "./LooseLedger.vue";
import PhotoWall from "./PhotoWall.vue";
import RemovalZone from "./RemovalZone.vue";
import WaitPage from "../WaitPage.vue";

type Tab = "found" | "off" | "loose" | "photos" | "draft";
const leaves: [Tab, string, string][] = [
  ["found", "As found", "1"],
  ["off", "Take off", "2"],
  ["loose", "Loose items", "3"],
  ["photos", "Photos", "4"],
  ["draft", "Build order", "5"],
];
const KEYS: [string, string][] = [
  ["1 … 5", "As found, take off, loose, photos, build order"],
  ["Enter", "Write down what the form holds"],
  ["arrows, Space", "On a flank: move, paint or wipe; Shift paints on"],
];
const props = defineProps<{ job: string }>();
const desk = useStrip(toRef(props, "job"));
const { view, problem, retry } = desk;
const tab = useZone<Tab>(
  "found",
  leaves.map(([key]) => key),
);
const counts = computed(() => ({
  found: view.value?.baselines.filter((b) => b.state === "open").length ?? 0,
  off: view.value?.parts.filter((p) => p.off > 0 && p.off < p.count).length ?? 0,
  loose: view.value?.loose.filter((i) => i.open).length ?? 0,
}));
const head = computed(() => {
  if (view.value?.job.stands !== "field") return "";
  return view.value.locked_out ? "Locked out" : "In the field";
});
</script>

<template>
  <WaitPage v-if="!view" :problem="desk.query.error.value" />
  <StageShell
    v-else
    v-model="tab"
    :job="view.job"
    here="strip"
    label="Strip"
    :say="view.say"
    :head="head"
    :aside="view.locked_out || (view.cautions[0] ?? '')"
    :leaves="leaves"
    :counts="counts"
    :cautions="view.cautions"
    :keys="KEYS"
    :problem="problem && problem.field !== 'let_go' ? problem : null"
    :can-retry="retry !== null"
    @retry="retry?.()"
    @let-go="desk.letGo"
  >
    <template v-if="tab === 'found'">
      <FoundZone :desk="desk" :view="view" />
      <FactZone :offered="view.offered" :written="view.written" :write="desk.write" />
    </template>
    <RemovalZone v-else-if="tab === 'off'" :desk="desk" :view="view" />
    <LooseLedger v-else-if="tab === 'loose'" :desk="desk" :view="view" />
    <PhotoWall v-else-if="tab === 'photos'" :desk="desk" :view="view" />
    <DraftList v-else :view="view" />
  </StageShell>
</template>
