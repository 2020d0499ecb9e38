<script setup lang="ts" generic="Tab extends string">
/** The frame of a stage with leaves: header, sentence, leaves with their keys, what was refused, help. */
import { ref } from "vue";
import type { Problem, Span } from "../api/client";
import { COMMON_KEYS, useStageKeys } from "../composables/useStageKeys";
import HelpPanels from "./HelpPanels.vue";
import ProblemLine from "./ProblemLine.vue";
import SayLine from "./SayLine.vue";
import JobFrame from "./JobFrame.vue";
import StageTabs from "./StageTabs.vue";

const tab = defineModel<Tab>({ required: true });
const props = defineProps<{
  job: { id: string; tag: string; unit_name: string; complaint: string };
  here: string;
  label: string;
  say: Span[];
  head: string;
  aside: string;
  leaves: [Tab, string, string][];
  counts: Partial<Record<Tab, number>>;
  cautions: string[];
  keys: [string, string][];
  problem: Problem | null;
  canRetry: boolean;
  low?: boolean;
}>();
defineEmits<{ retry: []; letGo: [] }>();
const help = ref<"keys" | "cautions" | null>(null);
useStageKeys((event) => {
  const wanted = props.leaves.find(([, , typed]) => typed === event.key);
  if (wanted) tab.value = wanted[0];
  else if (event.key === "?") help.value = "keys";
  else if (event.key === "a") help.value = "cautions";
  else return false;
  return true;
});
const COMMON: [string, string][] = [["a", "Cautions"], ...COMMON_KEYS];
</script>

<template>
  <JobFrame :job="job.id" :tag="job.tag" :title="job.unit_name" :sub="job.complaint" :here="here">
    <SayLine :say="say" :low="low" :eyebrow="low ? '' : label" :head="head" :aside="aside" />
    <StageTabs v-model="tab" :label="label" :leaves="leaves" :counts="counts" @cautions="help = 'cautions'" />
    <slot />
    <ProblemLine
      v-if="problem"
      :problem="problem"
      :can-retry="canRetry"
      @retry="$emit('retry')"
      @let-go="$emit('letGo')"
    />
    <HelpPanels v-model="help" :keys="[...keys, ...COMMON]" :cautions="cautions" />
  </JobFrame>
</template>
