<script setup lang="ts">
/** The last look before it is closed, its first hours of running, and who lets it go. */
import { computed, toRef } from "vue";
import { useZone } from "../../composables/useZone";
import StageShell from "../../ui/StageShell.vue";
import WaitPage from "../WaitPage.vue";
import AfterLeaf from "./AfterLeaf.vue";
import PointsLeaf from "./PointsLeaf.vue";
import ReleaseLeaf from "./ReleaseLeaf.vue";
import RunLeaf from "./RunLeaf.vue";
import { useProve } from "./useProve";

type Tab = "closed" | "run" | "after" | "release";
const leaves: [Tab, string, string][] = [
  ["closed", "Last look", "l"],
  ["run", "Run-in", "r"],
  ["after", "After it, put off", "p"],
  ["release", "Release", "e"],
];
const KEYS: [string, string][] = [
  ["↑ ↓", "Another point"],
  ["Enter", "Seen; or the way to where it is settled"],
  ["x n d", "Not right, could not be checked, put off"],
  ["l r p e", "Last look, run-in, after it, release"],
];
const props = defineProps<{ job: string }>();
const desk = useProve(toRef(props, "job"));
const { view, problem, retry } = desk;
const tab = useZone<Tab>(
  "closed",
  leaves.map(([key]) => key),
);
const openOn = (leaf: Tab) =>
  (view.value?.groups ?? []).filter((g) => g.leaf === leaf).reduce((n, g) => n + g.open, 0);
const counts = computed(() => ({
  closed: openOn("closed"),
  run: openOn("run"),
  after: openOn("after") + (view.value?.owed.length ?? 0),
  release: view.value?.release.how ? 0 : (view.value?.release.first.length ?? 0),
}));
</script>

<template>
  <WaitPage v-if="!view" :problem="desk.query.error.value" />
  <StageShell
    v-else
    v-model="tab"
    :job="view.job"
    here="prove"
    label="Prove"
    low
    :say="view.say"
    :head="view.head"
    :aside="view.aside"
    :leaves="leaves"
    :counts="counts"
    :cautions="view.cautions"
    :keys="KEYS"
    :problem="problem"
    :can-retry="retry !== null"
    @retry="retry?.()"
    @let-go="desk.letGo"
  >
    <PointsLeaf
      v-if="tab === 'closed'"
      :view="view"
      leaf="closed"
      :desk="desk"
      none="Nothing is asked for: no setting, no part, no oil. Fill in what this unit is made of."
    />
    <RunLeaf v-else-if="tab === 'run'" :view="view" :desk="desk" />
    <AfterLeaf v-else-if="tab === 'after'" :view="view" :desk="desk" />
    <ReleaseLeaf v-else :view="view" :desk="desk" />
  </StageShell>
</template>
