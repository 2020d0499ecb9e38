<script setup lang="ts">
/** The settings of one job, each with its next move. */
import { useQuery } from "@tanstack/vue-query";
import { computed } from "vue";
import { RouterLink } from "vue-router";
import { api, unwrap } from "../api/client";
import StripMark from "../marks/StripMark.vue";
import VerdictTag from "../marks/VerdictTag.vue";
import SayLine from "../ui/SayLine.vue";
import ShellHeader from "../ui/ShellHeader.vue";
import WaitPage from "./WaitPage.vue";

const props = defineProps<{ job: string }>();
const { data, error } = useQuery({
  queryKey: computed(() => ["job", props.job]),
  queryFn: () => unwrap(api.GET("/api/jobs/{job_id}", { params: { path: { job_id: props.job } } })),
  refetchInterval: 5000,
});
const lead = computed(() => data.value?.settings.find((s) => !s.signed));
const words = (s: { text: string }[]) => s.map((x) => x.text).join("");
</script>

<template>
  <WaitPage v-if="!data" :problem="error" />
  <div v-else>
    <ShellHeader :job="job" :tag="data.tag" :title="data.unit_name" :sub="data.complaint" here="set" />
    <SayLine
      :say="lead?.say ?? [{ text: 'Every setting is signed. Take the record.', move: false }]"
      :eyebrow="lead ? lead.label : 'Next move'"
      :head="data.waits_for ? `Waits for ${data.waits_for}` : ''"
      :aside="`Serial ${data.serial} · ${data.bench}`"
    />
    <RouterLink
      v-for="s in data.settings"
      :key="s.id"
      :to="`/jobs/${job}/set/${s.id}`"
      class="grid items-center gap-4 border-b-2 border-row px-5 py-4 md:grid-cols-[300px_1fr_190px]"
      data-setting
    >
      <span
        ><span class="block text-[20px] font-bold">{{ s.label }}</span
        ><span class="text-secondary"
          >{{ s.place }} · round {{ s.round
          }}{{ s.signed ? " · signed" : s.disturbed ? " · signed, then disturbed" : "" }}</span
        ></span
      >
      <span class="min-w-0"
        ><span class="block text-[20px] font-semibold">{{ words(s.say) }}</span
        ><StripMark v-if="s.strip" :scene="s.strip" small
      /></span>
      <VerdictTag :code="s.verdict" :words="s.verdict_words" />
    </RouterLink>
  </div>
</template>
