<script setup lang="ts">
/** What came in: complaint, what is known, schools in force, serials with what they bring along; closing. */
import { computed, reactive, ref, toRef, watch } from "vue";
import { RouterLink } from "vue-router";
import { useStageKeys } from "../../composables/useStageKeys";
import { useYard } from "../../composables/useYard";
import SendingProblem from "../../ui/SendingProblem.vue";
import SayLine from "../../ui/SayLine.vue";
import JobFrame from "../../ui/JobFrame.vue";
import WaitPage from "../WaitPage.vue";
import ClosingZone from "./ClosingZone.vue";
import CorrectForm from "./CorrectForm.vue";
import HoursZone from "./HoursZone.vue";
import NameForm from "./NameForm.vue";
import { useJob } from "./useJob";

const props = defineProps<{ job: string }>();
const desk = useJob(toRef(props, "job"));
const { view: data } = desk;
const { day } = useYard();
const correcting = ref(false);
const serials = reactive<Record<string, string>>({});
watch(data, (job) => job?.components.forEach((c) => (serials[c.part] ??= c.serial)), { immediate: true });
const facts = computed<[string, string][]>(() => {
  const j = data.value;
  if (!j) return [];
  return [
    ["Serial", j.serial],
    ["Stands", j.stands === "field" ? `in the field, ${j.bench}` : j.bench],
    ["Known", j.known || "nothing more"],
    ["Waits for", j.waits_for || "hands"],
    ["Limits for", j.basis],
    ["Lengths in", j.length_unit],
    ["Gauges", j.gauges.join(", ") || "those of the unit type"],
  ];
});
useStageKeys();
</script>

<template>
  <WaitPage v-if="!data" :problem="desk.query.error.value" />
  <JobFrame
    v-else
    :job="job"
    :tag="data.tag"
    :title="data.unit_name"
    :sub="`Serial ${data.serial}`"
    here="receive"
  >
    <SayLine
      :say="[{ text: data.complaint ? `“${data.complaint}”` : 'No complaint was given.', move: false }]"
      eyebrow="Complaint, in the customer's words"
      :head="data.closed_at ? `Closed ${day(data.closed_at)}` : ''"
      :aside="data.cautions[0] ?? ''"
    />
    <div class="grid lg:grid-cols-[1fr_1fr]">
      <CorrectForm v-if="correcting" :desk="desk" :job="data" @close="correcting = false" />
      <section v-else class="min-w-0 px-5 py-4">
        <dl class="grid grid-cols-[110px_1fr] gap-y-2 text-[18px]">
          <template v-for="[k, v] in facts" :key="k">
            <dt class="text-secondary">{{ k }}</dt>
            <dd class="min-w-0 font-semibold wrap-anywhere">{{ v }}</dd>
          </template>
        </dl>
        <NameForm v-if="data.unnamed && !data.closed_at" :desk="desk" :job="data" />
        <button v-if="!data.closed_at" type="button" class="control mt-3" @click="correcting = true">
          Correct it
        </button>
        <ul v-if="data.corrections.length" class="mt-3" data-corrections>
          <li v-for="c in data.corrections" :key="c" class="border-l-4 pl-3">{{ c }}</li>
        </ul>
        <RouterLink class="control mt-3 ml-3" :to="`/units/${data.unit_id}`" data-life>Its life</RouterLink>
        <h2 class="zone-head mt-5 border-b-2 pb-1">Gear sets and bearings with a serial</h2>
        <form class="flex flex-col gap-3 py-3" data-serials @submit.prevent="desk.name(serials)">
          <div v-for="c in data.components" :key="c.part" class="border-b-2 border-row pb-2">
            <label class="grid items-center gap-3 sm:grid-cols-[1fr_220px]"
              ><span class="text-[18px] font-bold">{{ c.label }}</span>
              <input v-model="serials[c.part]" class="field" :name="c.part" placeholder="serial"
            /></label>
            <div v-for="s in c.stays" :key="s.tag + s.opened" class="mt-2 border-l-4 pl-3" data-stay>
              <p v-if="s.condemned" class="font-bold text-danger" data-condemned>
                May not go in again: {{ s.condemned }}
              </p>
              <p class="font-semibold">Came from {{ s.tag }} {{ s.unit_name }}, {{ s.opened }}</p>
              <p v-if="s.verdict">Judged there: {{ s.verdict }}</p>
              <p v-for="w in s.words" :key="w">{{ w }}</p>
            </div>
          </div>
          <p v-if="!data.components.length">No part of this unit has a serial of its own.</p>
          <button v-else-if="!data.closed_at" type="submit" class="control self-start">
            Write the serials
          </button>
        </form>
        <HoursZone :desk="desk" :job="data" />
      </section>
      <section class="min-w-0 px-5 py-4 lg:border-l-2">
        <ClosingZone :desk="desk" :job="data" />
        <h2 class="zone-head mt-6 border-b-2 pb-1">Schools in force</h2>
        <ul>
          <li v-for="s in data.schools" :key="s.key" class="border-b-2 border-row py-2">
            <p class="text-secondary">{{ s.label }}</p>
            <p class="text-[18px] font-bold">{{ s.does }}</p>
            <p>
              {{ s.means }} <span class="text-secondary">The other: {{ s.other }}.</span>
            </p>
          </li>
        </ul>
      </section>
    </div>
    <SendingProblem :sending="desk" />
  </JobFrame>
</template>
