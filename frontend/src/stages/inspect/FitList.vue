<script setup lang="ts">
/** Fits of this part that are measured, and a form for another one. */
import { computed, reactive, ref } from "vue";
import { RouterLink } from "vue-router";
import type { InspectPart, InspectView } from "../../api/client";
import type { InspectDesk } from "../../composables/useInspect";
import VerdictTag from "../../marks/VerdictTag.vue";

const props = defineProps<{ desk: InspectDesk; part: InspectPart; job: InspectView["job"] }>();
const open = ref(false);
const fit = reactive({ what: "journal", size: "", fitClass: "", least: "", greatest: "", source: "" });
const clearance = computed(() => fit.what === "clearance");
async function measure() {
  const limits = { least: fit.least, greatest: fit.greatest, source: fit.source };
  const own = clearance.value
    ? { diameter: fit.size }
    : { what: fit.what, nominal: fit.size, fit: fit.fitClass };
  const given = Object.fromEntries(Object.entries({ ...own, ...limits }).filter(([, text]) => text !== ""));
  const kind = clearance.value ? "plain_bearing" : "seat_size";
  const label = `${props.part.label}, ${clearance.value ? "clearance" : fit.what}`;
  if (await props.desk.measure({ part: props.part.key, kind, label, given })) open.value = false;
}
</script>

<template>
  <div class="border-t-2 px-5 py-3" data-fits>
    <ul>
      <li
        v-for="f in part.fits"
        :key="f.setting_id"
        class="flex flex-wrap items-center gap-4 border-b-2 border-row py-2"
      >
        <RouterLink
          class="text-[19px] font-bold underline"
          :to="`/jobs/${job.id}/set/${f.setting_id}`"
          data-open-fit
          >{{ f.label }}</RouterLink
        >
        <VerdictTag :code="f.verdict" :words="f.verdict_words" small />
        <span class="text-[18px]">{{ f.value }}</span>
        <span class="text-secondary">window {{ f.window }} {{ job.length_unit }}</span>
      </li>
    </ul>
    <button v-if="!open" type="button" class="control mt-2" data-measure @click="open = true">
      Measure a fit
    </button>
    <form v-else class="grid gap-3 sm:grid-cols-3 xl:grid-cols-6" @submit.prevent="measure">
      <label
        >It is<select v-model="fit.what" class="field" name="what">
          <option value="journal">a journal or seat</option>
          <option value="bore">a bore</option>
          <option value="housing">a housing seat</option>
          <option value="clearance">a clearance, bore on journal</option>
        </select></label
      >
      <label
        >Size ({{ job.length_unit }})<input v-model="fit.size" class="field" name="size" required
      /></label>
      <label v-if="!clearance"
        >Fit class<input v-model="fit.fitClass" class="field" name="fit-class" placeholder="k6, H7"
      /></label>
      <label>or least<input v-model="fit.least" class="field" name="least" /></label>
      <label>and greatest<input v-model="fit.greatest" class="field" name="greatest" /></label>
      <label>Source<input v-model="fit.source" class="field" name="source" required /></label>
      <div class="flex gap-3 sm:col-span-3">
        <button type="submit" class="control control-main">To be measured</button>
        <button type="button" class="control" @click="open = false">Not now</button>
      </div>
    </form>
  </div>
</template>
