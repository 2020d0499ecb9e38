<script setup lang="ts">
/** Fits of this part that are measured, and a form for another one, as the kinds offer them. */
import { computed, ref, watch } from "vue";
import { RouterLink } from "vue-router";
import type { InspectPart, InspectView } from "../../api/client";
import { givenFrom, useForm, type FormDraft } from "../../composables/useForm";
import VerdictTag from "../../marks/VerdictTag.vue";
import FormFields from "../../ui/FormFields.vue";
import type { InspectDesk } from "./useInspect";
import PickBox from "../../ui/PickBox.vue";

const props = defineProps<{ desk: InspectDesk; part: InspectPart; view: InspectView }>();
const open = ref(false);
const offers = props.view.fit_offers;
const key = ref((offers.find((o) => o.suits.includes(props.part.group)) ?? offers[0])?.key ?? "");
const offer = computed(() => props.view.fit_offers.find((o) => o.key === key.value));
const draft = ref<FormDraft>({});
watch(key, () => (draft.value = {}));
const { fields: form, problems } = useForm(
  () => ({ kind: offer.value?.kind ?? "", unit: props.view.job.length_unit, given: offer.value?.given }),
  draft,
);
const fields = computed(() => form.value.filter((f) => offer.value?.asks.includes(f.key)));
async function measure() {
  if (!offer.value) return;
  const { kind, label: what, given } = offer.value;
  const label = `${props.part.label}, ${what.split(",")[0]?.replace(/^an? /, "") ?? what}`;
  const typed = givenFrom(fields.value, draft.value);
  if (await props.desk.measure({ part: props.part.key, kind, label, given: { ...given, ...typed } }))
    open.value = false;
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
          :to="`/jobs/${view.job.id}/set/${f.setting_id}`"
          data-open-fit
          >{{ f.label }}</RouterLink
        >
        <VerdictTag :code="f.verdict" :words="f.verdict_words" small />
        <span class="text-[18px]">{{ f.value }}</span>
        <span class="text-secondary">window {{ f.window }} {{ view.job.length_unit }}</span>
      </li>
    </ul>
    <button v-if="!open" type="button" class="control mt-2" data-measure @click="open = true">
      Measure a fit
    </button>
    <form v-else class="flex flex-col gap-3" @submit.prevent="measure">
      <PickBox
        v-model="key"
        class="max-w-[360px]"
        name="what"
        label="It is"
        :options="view.fit_offers.map((o) => [o.key, o.label] as const)"
      />
      <FormFields v-model="draft" :fields="fields" :problems="problems" plain />
      <div class="flex gap-3">
        <button type="submit" class="control control-main">To be measured</button>
        <button type="button" class="control" @click="open = false">Not now</button>
      </div>
    </form>
  </div>
</template>
