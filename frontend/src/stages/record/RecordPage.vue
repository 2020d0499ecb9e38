<script setup lang="ts">
/** The record of a job, as it will be printed, and its open formats. */
import { at } from "../../api/rigAddress";
import { useQuery } from "@tanstack/vue-query";
import { computed } from "vue";
import { RouterLink, useRouter } from "vue-router";
import { api, unwrap } from "../../api/client";
import SectionMark from "../../marks/SectionMark.vue";
import SceneMark from "../../marks/SceneMark.vue";
import RecordLines from "./RecordLines.vue";
import RecordSheet from "./RecordSheet.vue";
import JobFrame from "../../ui/JobFrame.vue";
import WaitPage from "../WaitPage.vue";

const props = defineProps<{ job: string }>();
const router = useRouter();
const { data, error } = useQuery({
  queryKey: computed(() => ["record", props.job]),
  queryFn: () => unwrap(api.GET("/api/jobs/{job_id}/record", { params: { path: { job_id: props.job } } })),
});
const unsigned = computed(() => data.value?.settings.filter((s) => !s.signature).length ?? 0);
const broken = computed(() => data.value?.settings.filter((s) => s.signature?.broken.length).length ?? 0);
const files: [string, string][] = [
  ["build-sheet.pdf", "Build sheet for its owner"],
  ["record.pdf", "Full record, PDF"],
  ["readings.csv", "Readings as CSV"],
  ["exchange.zip", "Exchange file"],
];
</script>

<template>
  <WaitPage v-if="!data" :problem="error" />
  <JobFrame
    v-else
    :job="job"
    :tag="data.job.tag"
    :title="data.job.unit_name"
    :sub="data.job.complaint"
    here="record"
  >
    <section class="flex flex-wrap items-center gap-4 border-b-2 px-5 py-4">
      <p class="say flex-1 basis-[280px]">
        {{
          broken
            ? `${broken} of ${data.settings.length} signatures do not hold: see below.`
            : unsigned
              ? `${unsigned} of ${data.settings.length} settings not signed yet.`
              : "Every setting is signed."
        }}
      </p>
      <a
        v-for="[file, words] in files"
        :key="file"
        class="control"
        :class="file === 'build-sheet.pdf' ? 'control-main' : ''"
        :href="at(`/api/jobs/${job}/${file}`)"
        download
        >{{ words }}</a
      >
      <RouterLink class="control" :to="`/units/${data.job.unit_id}`" data-life>Its life</RouterLink>
    </section>
    <div
      v-if="data.job.section.shapes.length"
      class="overflow-x-auto border-b-2 bg-bay"
      style="--casing: var(--bay)"
    >
      <div class="mx-auto max-w-[1100px]">
        <SectionMark :scene="data.job.section" @pick="router.push(`/jobs/${job}`)" />
      </div>
    </div>
    <RecordSheet v-for="s in data.settings" :key="s.id" :setting="s" />
    <RecordLines title="Receiving and closing" :lines="data.about" />
    <RecordLines title="Inspection" :lines="data.inspection" />
    <RecordLines title="Build, as it was worked" :lines="data.build" />
    <RecordLines title="Fits: heat, press, torque" :lines="data.fits" />
    <RecordLines title="Gear train: turns, levers, timing marks" :lines="data.train" />
    <div v-if="data.train_drawn.length" class="flex flex-wrap gap-6 px-5 py-3">
      <SceneMark v-for="s in data.train_drawn" :key="s.label" :scene="s" class="w-[300px]" />
    </div>
    <RecordLines title="Last look, run-in, release" :lines="data.prove" />
    <RecordLines title="Strip" :lines="data.strip" />
    <p v-if="data.end" class="px-5 py-4 text-[16px] text-secondary">
      The rows of this job end at <span class="font-semibold text-primary">{{ data.end }}</span>. Keep this
      code elsewhere: with it, bornek verify shows whether anything was changed since.
    </p>
  </JobFrame>
</template>
