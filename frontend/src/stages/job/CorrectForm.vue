<script setup lang="ts">
/** What was received, corrected: what stood there before is kept beside it. */
import { useQuery } from "@tanstack/vue-query";
import { reactive, ref } from "vue";
import { api, unwrap, type JobView } from "../../api/client";
import GaugeTicks from "../../ui/GaugeTicks.vue";
import SchoolChoice from "../../ui/SchoolChoice.vue";
import type { JobDesk } from "./useJob";

const props = defineProps<{ desk: JobDesk; job: JobView }>();
const emit = defineEmits<{ close: [] }>();
const gauges = useQuery({ queryKey: ["gauges"], queryFn: () => unwrap(api.GET("/api/gauges")) });
const FIELDS = [
  ["complaint", "Complaint, in the customer's words"],
  ["known", "What is known about it"],
  ["bench", "Where it stands"],
  ["waits_for", "Waits for (empty: hands)"],
] as const;
const draft = reactive({
  complaint: props.job.complaint,
  known: props.job.known,
  bench: props.job.bench,
  waits_for: props.job.waits_for,
  gauges: [...props.job.gauges],
  schools: Object.fromEntries(props.job.schools.map((s) => [s.key, s.school])) as Record<string, string>,
});
const why = ref("");
async function write() {
  if (await props.desk.correct({ ...draft }, why.value)) emit("close");
}
</script>

<template>
  <form class="flex flex-col gap-3 px-5 py-4" data-correct @submit.prevent="write">
    <h2 class="zone-head border-b-2 pb-1">Correct what was received</h2>
    <label v-for="[key, words] in FIELDS" :key="key"
      >{{ words }}<input v-model="draft[key]" class="field" :name="key" autocomplete="off"
    /></label>
    <GaugeTicks v-model="draft.gauges" :gauges="gauges.data.value ?? []" />
    <SchoolChoice v-model="draft.schools" />
    <label>Why it is corrected<input v-model="why" class="field" name="why" /></label>
    <div class="flex gap-3">
      <button type="submit" class="control control-main">Write the correction</button>
      <button type="button" class="control" @click="emit('close')">Leave it</button>
    </div>
  </form>
</template>
