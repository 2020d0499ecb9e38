<script setup lang="ts">
/** A step of one's own, or one of the order written anew; only what applies is filled in. */
import { computed, ref } from "vue";
import type { BuildStep, PlanView, StepView } from "../../api/client";
import { useKept } from "../../composables/useKept";
import PickBox from "../../ui/PickBox.vue";
import TickBox from "../../ui/TickBox.vue";
import { FITS } from "../../ui/stepWords";
import { NO_RESOURCE, NO_WAIT, NUMBERS, TEXTS, draftOf, keyFor, stepOf } from "./stepDraft";
import type { PlanDesk } from "./usePlan";

const props = defineProps<{ view: PlanView; desk: PlanDesk; after: string; edit?: StepView }>();
const emit = defineEmits<{ close: [] }>();
const draft = useKept(
  `step.${props.view.job.id}.${props.edit?.key ?? "new"}`,
  draftOf(props.edit?.step, props.after),
);
const more = ref(Boolean(props.edit));
const parts = computed(() => props.view.parts.map((p) => [p.key, p.label] as const));
const several = computed(() =>
  props.view.parts.filter((p) => p.count > 1 && draft.value.parts.includes(p.key)),
);
const steps = computed(() => props.view.steps.map((s) => [s.key, `${s.number} ${s.label}`] as const));
const tall = computed(() => [["", "first"] as const, ...steps.value]);
/** What does not hold, by the field of the step. */
const wrong = computed<Record<string, string>>(() => {
  const named = Object.entries((props.desk.problem.value?.details["fields"] ?? {}) as Record<string, string>);
  return Object.fromEntries(named.map(([path, why]) => [path.replace(/^step\.(\w+).*/, "$1"), why]));
});
const why = ref("");
const strike = () => props.desk.write("step_struck", { step: props.edit?.key, words: why.value });
async function send() {
  const taken = props.view.steps.map((s) => s.key);
  const key = props.edit?.key ?? keyFor(draft.value.label, taken);
  const step: BuildStep = { ...stepOf(draft.value, props.edit?.step), key };
  const after = props.edit ? "" : draft.value.after;
  if (!(await props.desk.write("step_written", { step, after }))) return;
  draft.value = draftOf(undefined, "");
  emit("close");
}
</script>

<template>
  <form class="border-t-2 bg-surface px-5 py-4" data-own-step @submit.prevent="send">
    <h2 class="mb-2 text-[22px] font-bold">
      {{ edit ? `Step ${edit.number} written anew` : "A step of your own" }}
    </h2>
    <div class="grid gap-3 md:grid-cols-3">
      <label class="md:col-span-2"
        >What is done<input
          v-model="draft.label"
          class="field"
          name="label"
          required
          maxlength="120"
          autofocus
      /></label>
      <PickBox v-if="!edit" v-model="draft.after" name="after" label="After" :options="tall" />
      <PickBox v-model="draft.parts" name="parts" label="Parts" :options="parts" empty="none" />
      <label v-for="p in several" :key="p.key"
        >How many of {{ p.label }} (of {{ p.count }})<input
          v-model="draft.counts[p.key]"
          class="field"
          :name="`count-${p.key}`"
          :placeholder="`all ${p.count}`"
          inputmode="numeric"
        /><span v-if="wrong['counts']" class="font-bold text-danger">{{ wrong["counts"] }}</span></label
      >
      <PickBox v-model="draft.needs" name="needs" label="Needs" :options="steps" empty="nothing" />
      <PickBox v-model="draft.fit" name="fit" label="Goes in" :options="FITS" />
      <template v-if="more">
        <label v-for="[key, words] in TEXTS" :key="key"
          >{{ words }}<input v-model="draft[key]" class="field" :name="key" autocomplete="off" /><span
            v-if="wrong[key]"
            class="font-bold text-danger"
            >{{ wrong[key] }}</span
          ></label
        >
        <PickBox v-model="draft.wait" name="wait" label="Then it waits" :options="NO_WAIT" />
        <PickBox v-model="draft.resource" name="resource" label="Takes" :options="NO_RESOURCE" />
        <PickBox
          v-model="draft.takes_out"
          name="takes_out"
          label="Takes out again"
          :options="parts"
          empty="nothing"
        />
        <label v-for="[key, words] in NUMBERS" :key="key"
          >{{ words
          }}<input
            v-model="draft[key]"
            class="field"
            :name="key"
            inputmode="decimal"
            autocomplete="off"
          /><span v-if="wrong[key]" class="font-bold text-danger">{{ wrong[key] }}</span></label
        >
        <TickBox v-model="draft.locates" name="locates" label="The joint's thickness locates parts" />
        <TickBox v-model="draft.split" name="split" label="May be split over closing time" />
      </template>
    </div>
    <div class="mt-3 flex gap-3">
      <button type="submit" class="control control-main">Write it down</button>
      <button v-if="!more" type="button" class="control" @click="more = true">
        Torque, sealant, wait, side …
      </button>
      <button type="button" class="control" @click="$emit('close')">Not now</button>
    </div>
    <div v-if="edit" class="mt-3 flex max-w-[640px] items-end gap-3" data-strike>
      <label class="flex-1"
        >Leave it out of this build, because<input v-model="why" class="field" name="why" maxlength="400"
      /></label>
      <button type="button" class="control" :disabled="!why" @click="strike">Leave it out</button>
    </div>
  </form>
</template>
