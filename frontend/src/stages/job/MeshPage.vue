<script setup lang="ts">
/** The mesh stage: straight to the pair where there is one; else what there is, or that there is none. */
import { useQuery } from "@tanstack/vue-query";
import { computed, watch } from "vue";
import { RouterLink, useRouter } from "vue-router";
import { api, unwrap } from "../../api/client";
import { useStageKeys } from "../../composables/useStageKeys";
import ReadoutMark from "../../marks/ReadoutMark.vue";
import VerdictTag from "../../marks/VerdictTag.vue";
import JobFrame from "../../ui/JobFrame.vue";
import SayLine from "../../ui/SayLine.vue";
import WaitPage from "../WaitPage.vue";

const props = defineProps<{ job: string }>();
const router = useRouter();
const { data, error } = useQuery({
  queryKey: computed(() => ["job", props.job]),
  queryFn: () => unwrap(api.GET("/api/jobs/{job_id}", { params: { path: { job_id: props.job } } })),
  refetchOnMount: "always",
});
const pairs = computed(() => data.value?.settings.filter((s) => s.stage === "mesh") ?? []);
const lead = computed(() => pairs.value.find((s) => !s.signed));
const train = computed(() => `/jobs/${props.job}/mesh/train`);
const to = (id: string) => `/jobs/${props.job}/set/${id}`;
watch(
  data,
  (job) => {
    const [only, another] = pairs.value;
    if (job?.train && !only) void router.replace(train.value);
    else if (job && !job.train && only && !another) void router.replace(to(only.id));
  },
  { immediate: true },
);
useStageKeys((event) => {
  const found = pairs.value[Number(event.key) - 1];
  if (found) void router.push(to(found.id));
  else if (event.key === "n" && data.value?.train) void router.push(train.value);
  else return false;
  return true;
});
const say = computed(() =>
  lead.value
    ? lead.value.say
    : data.value?.train && data.value.train.state !== "done"
      ? data.value.train.say
      : [
          {
            text: pairs.value.length
              ? "Every pair is signed. Take the record."
              : "No pair of gears is to be set here. Add one under what it is made of.",
            move: false,
          },
        ],
);
</script>

<template>
  <WaitPage v-if="!data" :problem="error" />
  <JobFrame v-else :job="job" :tag="data.tag" :title="data.unit_name" :sub="data.complaint" here="mesh">
    <SayLine :say="say" :eyebrow="lead ? lead.label : 'Mesh'" head="" :aside="`Serial ${data.serial}`" />
    <ul class="flex flex-col" data-pairs>
      <li v-for="(s, i) in pairs" :key="s.id" class="border-b-2 border-row">
        <RouterLink
          :to="to(s.id)"
          class="grid min-h-16 grid-cols-[36px_1fr_auto] items-center gap-4 px-5 py-2 md:grid-cols-[36px_1fr_320px_180px]"
        >
          <span class="text-[26px] font-bold">{{ i + 1 }}</span>
          <span class="text-[18px] font-bold">{{ s.label }}</span>
          <ReadoutMark v-if="s.strip" :scene="s.strip" small class="max-md:hidden" />
          <VerdictTag :code="s.verdict" :words="s.verdict_words" small />
        </RouterLink>
      </li>
      <li v-if="data.train" class="border-b-2 border-row">
        <RouterLink
          :to="train"
          class="grid min-h-16 grid-cols-[36px_1fr_auto] items-center gap-4 px-5 py-2"
          data-train
        >
          <span class="text-[26px] font-bold">n</span>
          <span class="text-[18px] font-bold"
            >Gear train: which way it turns, and how often
            <span class="block font-medium text-secondary">levers, timing marks, pairs of gears</span></span
          >
          <VerdictTag :code="data.train.code" :words="data.train.words" small />
        </RouterLink>
      </li>
    </ul>
    <p class="px-5 py-4">
      <RouterLink class="control inline-flex" :to="`/jobs/${job}/definition`">What it is made of</RouterLink>
    </p>
  </JobFrame>
</template>
