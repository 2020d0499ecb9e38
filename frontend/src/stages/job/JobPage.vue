<script setup lang="ts">
/** The unit in section, every place with its state, and the settings with their next move. */
import { at } from "../../api/rigAddress";
import { useQuery } from "@tanstack/vue-query";
import { computed, ref } from "vue";
import { api, unwrap } from "../../api/client";
import { useStageKeys } from "../../composables/useStageKeys";
import SectionMark from "../../marks/SectionMark.vue";
import SayLine from "../../ui/SayLine.vue";
import JobFrame from "../../ui/JobFrame.vue";
import PlaceList from "./PlaceList.vue";
import WaitPage from "../WaitPage.vue";

const props = defineProps<{ job: string }>();
const { data, error } = useQuery({
  queryKey: computed(() => ["job", props.job]),
  queryFn: () => unwrap(api.GET("/api/jobs/{job_id}", { params: { path: { job_id: props.job } } })),
  refetchInterval: 5000,
  refetchOnMount: "always",
});
const lead = computed(() => data.value?.settings.find((s) => !s.signed && s.stage === "set"));
const place = ref<string | null>(null);
const say = computed(() => {
  if (lead.value) return lead.value.say;
  const words = data.value?.settings.length
    ? "Every setting is signed. Take the record."
    : "Nothing is defined to be set yet. Fill in what this unit is made of.";
  return [{ text: words, move: false }];
});
useStageKeys((event) => {
  const found = data.value?.places.find((p) => String(p.number) === event.key);
  if (found) place.value = found.key;
  return found !== undefined;
});
</script>

<template>
  <WaitPage v-if="!data" :problem="error" />
  <JobFrame v-else :job="job" :tag="data.tag" :title="data.unit_name" :sub="data.complaint" here="set">
    <SayLine
      :say="say"
      :eyebrow="lead ? lead.label : 'Next move'"
      :head="data.closed_at ? 'Closed' : data.waits_for ? `Waits for ${data.waits_for}` : ''"
      :aside="`Serial ${data.serial} · ${data.bench}`"
    />
    <div class="grid flex-1 content-stretch lg:grid-cols-[1fr_400px]">
      <section class="overflow-x-auto bg-bay" style="--casing: var(--bay)">
        <SectionMark :scene="data.section" :here="place" @pick="(k) => (place = place === k ? null : k)" />
        <p class="flex flex-wrap gap-3 px-5 pb-3">
          <a
            v-if="data.section.shapes.length"
            class="control"
            :href="at(`/api/jobs/${job}/section.svg`)"
            download
            >Section as SVG</a
          >
          <RouterLink class="control" :to="`/jobs/${job}/definition`">What it is made of</RouterLink>
        </p>
      </section>
      <PlaceList v-model="place" :job="data" />
    </div>
  </JobFrame>
</template>
