<script setup lang="ts">
/** What came in: complaint, what is known, schools in force, serials with what they bring along; closing. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, reactive, ref, watch } from "vue";
import { api, newId, unwrap } from "../../api/client";
import { useSending } from "../../composables/useSending";
import ProblemLine from "../../ui/ProblemLine.vue";
import SayLine from "../../ui/SayLine.vue";
import ShellHeader from "../../ui/ShellHeader.vue";
import WaitPage from "../WaitPage.vue";

const props = defineProps<{ job: string }>();
const client = useQueryClient();
const sending = useSending();
const path = computed(() => ({ job_id: props.job }));
const key = computed(() => ["job", props.job]);
const { data, error } = useQuery({
  queryKey: key,
  queryFn: () => unwrap(api.GET("/api/jobs/{job_id}", { params: { path: path.value } })),
});
const serials = reactive<Record<string, string>>({});
watch(data, (job) => job?.components.forEach((c) => (serials[c.part] ??= c.serial)), { immediate: true });
const why = ref("");
const facts = computed<[string, string][]>(() => {
  const j = data.value;
  if (!j) return [];
  return [
    ["Serial", j.serial],
    ["Stands", j.stands === "field" ? `in the field, ${j.bench}` : j.bench],
    ["Known", j.known || "nothing more"],
    ["Limits for", j.basis],
    ["Lengths in", j.length_unit],
    ["Gauges", j.gauges.join(", ") || "those of the unit type"],
  ];
});
const name = () =>
  sending.send(async (header) => {
    const fresh = await unwrap(
      api.POST("/api/jobs/{job_id}/serials", { params: { path: path.value, header }, body: { serials } }),
    );
    client.setQueryData(key.value, fresh);
  });
const close = () =>
  sending.send(async (header) => {
    const fresh = await unwrap(
      api.POST("/api/jobs/{job_id}/close", {
        params: { path: path.value, header },
        body: { id: newId(), words: why.value },
      }),
    );
    client.setQueryData(key.value, fresh);
    await client.invalidateQueries({ queryKey: ["board"] });
  });
</script>

<template>
  <WaitPage v-if="!data" :problem="error" />
  <div v-else>
    <ShellHeader
      :job="job"
      :tag="data.tag"
      :title="data.unit_name"
      :sub="`Serial ${data.serial}`"
      here="receive"
    />
    <SayLine
      :say="[{ text: data.complaint ? `“${data.complaint}”` : 'No complaint was given.', move: false }]"
      eyebrow="Complaint, in the customer's words"
      :head="data.closed_at ? `Closed ${data.closed_at.slice(0, 10)}` : ''"
      :aside="data.cautions[0] ?? ''"
    />
    <div class="grid lg:grid-cols-[1fr_1fr]">
      <section class="px-5 py-4">
        <dl class="grid grid-cols-[110px_1fr] gap-y-2 text-[18px]">
          <template v-for="[k, v] in facts" :key="k">
            <dt class="text-secondary">{{ k }}</dt>
            <dd class="font-semibold">{{ v }}</dd>
          </template>
        </dl>
        <h2 class="zone-head mt-5 border-b-2 pb-1">Gear sets and bearings with a serial</h2>
        <form class="flex flex-col gap-3 py-3" data-serials @submit.prevent="name">
          <div v-for="c in data.components" :key="c.part" class="border-b-2 border-row pb-2">
            <label class="grid items-center gap-3 sm:grid-cols-[1fr_220px]"
              ><span class="text-[18px] font-bold">{{ c.label }}</span>
              <input v-model="serials[c.part]" class="field" :name="c.part" placeholder="serial"
            /></label>
            <div v-for="s in c.stays" :key="s.tag + s.opened" class="mt-2 border-l-4 pl-3" data-stay>
              <p class="font-semibold">Came from {{ s.tag }} {{ s.unit_name }}, {{ s.opened }}</p>
              <p v-for="w in s.words" :key="w">{{ w }}</p>
            </div>
          </div>
          <p v-if="!data.components.length">No part of this unit has a serial of its own.</p>
          <button v-else type="submit" class="control self-start">Write the serials</button>
        </form>
      </section>
      <section class="px-5 py-4 lg:border-l-2">
        <h2 class="zone-head border-b-2 pb-1">Schools in force</h2>
        <ul>
          <li v-for="s in data.schools" :key="s.key" class="border-b-2 border-row py-2">
            <p class="text-secondary">{{ s.label }}</p>
            <p class="text-[18px] font-bold">{{ s.does }}</p>
            <p>
              {{ s.means }} <span class="text-secondary">The other: {{ s.other }}.</span>
            </p>
          </li>
        </ul>
        <form v-if="!data.closed_at" class="mt-4 flex flex-col gap-3" data-close @submit.prevent="close">
          <h2 class="zone-head">Close the job</h2>
          <p v-for="b in data.close_blockers" :key="b" class="border-l-4 border-danger pl-3 font-semibold">
            {{ b }}
          </p>
          <label
            >If a setting is not signed: why it is closed all the same<input
              v-model="why"
              class="field"
              name="why"
          /></label>
          <button type="submit" class="control self-start" :disabled="data.close_blockers.length > 0">
            Close it
          </button>
        </form>
      </section>
    </div>
    <ProblemLine
      v-if="sending.problem.value"
      :problem="sending.problem.value"
      :can-retry="sending.retry.value !== null"
      @retry="sending.retry.value?.()"
      @let-go="sending.letGo"
    />
  </div>
</template>
