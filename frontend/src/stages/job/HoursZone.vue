<script setup lang="ts">
/** What the hour meter said: asked as it comes in and as it is closed; it may be written down later. */
import { reactive } from "vue";
import type { JobView } from "../../api/client";
import { useYard } from "../../composables/useYard";
import RadioRow from "../../ui/RadioRow.vue";
import TickBox from "../../ui/TickBox.vue";
import type { JobDesk } from "./useJob";

const props = defineProps<{ desk: JobDesk; job: JobView }>();
const WHEN = [
  ["receiving", "as received"],
  ["closing", "at closing"],
] as const;
const { today } = useYard();
const asked = () => (props.job.hours.some((h) => h.when === "receiving") ? "closing" : "receiving");
const draft = reactive({ when: asked() as string, reading: "", none: false, read_on: today(), words: "" });
async function write() {
  const body = { ...draft, reading: draft.none ? "" : draft.reading };
  if (await props.desk.hours(body))
    Object.assign(draft, { when: asked(), reading: "", none: false, words: "" });
}
</script>

<template>
  <section data-hours>
    <h2 class="zone-head border-b-2 pb-1">Hour meter</h2>
    <ul>
      <li v-for="h in job.hours" :key="h.id" class="flex gap-3 border-b-2 border-row py-2">
        <span class="min-w-0 flex-1"
          ><strong>{{ h.label }}</strong> {{ h.words }}</span
        ><span class="text-secondary">{{ h.by }}</span>
      </li>
    </ul>
    <form v-if="!job.closed_at" class="flex flex-col gap-3 py-3" @submit.prevent="write">
      <RadioRow v-model="draft.when" name="when" label="When" :options="WHEN" />
      <div class="grid gap-3 sm:grid-cols-2">
        <label
          >It says, h<input
            v-model="draft.reading"
            class="field"
            name="reading"
            inputmode="decimal"
            :required="!draft.none"
            :disabled="draft.none"
        /></label>
        <label
          >Read on<input v-model="draft.read_on" class="field" name="read_on" type="date" required
        /></label>
      </div>
      <TickBox v-model="draft.none" name="no-meter" label="None: no meter, or it cannot be read" />
      <label>Remark<input v-model="draft.words" class="field" name="hours-words" /></label>
      <button type="submit" class="control self-start">Write it down</button>
    </form>
  </section>
</template>
