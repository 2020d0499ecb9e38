<script setup lang="ts">
/** One step at the bench, large: the next act, the cover from outside, torque and sealant, then the free turn. */
import { computed, ref, toRef, watchEffect } from "vue";
import { useRouter } from "vue-router";
import BoltRing from "../../marks/BoltRing.vue";
import { COMMON_KEYS, useStageKeys } from "../../composables/useStageKeys";
import JobFrame from "../../ui/JobFrame.vue";
import SendingProblem from "../../ui/SendingProblem.vue";
import SayLine from "../../ui/SayLine.vue";
import WaitPage from "../WaitPage.vue";
import GoBackPanel from "./GoBackPanel.vue";
import LineRail from "./LineRail.vue";
import OwnStepForm from "./OwnStepForm.vue";
import PageFoot from "../../ui/PageFoot.vue";
import SealantRule from "./SealantRule.vue";
import StepFacts from "./StepFacts.vue";
import StepTurn from "./StepTurn.vue";
import StepWords from "./StepWords.vue";
import TorqueRule from "./TorqueRule.vue";
import { usePlan } from "./usePlan";
import { useStepActs } from "./useStepActs";

const KEYS: [string, string][] = [
  ["Enter", "What the main button says; a pedal too"],
  ["1 … 5", "How the free turn feels"],
  ["c", "Back one bolt"],
  ["d", "Done differently"],
  ["x", "Skip it"],
  ["e", "Write the step anew"],
  ["n", "The step after it"],
  ["p", "The plan"],
  ["Esc", "Stop the step: back to the plan"],
];
const props = defineProps<{ job: string; step: string }>();
const router = useRouter();
const desk = usePlan(toRef(props, "job"));
const { view } = desk;
const step = computed(() => view.value?.steps.find((s) => s.key === props.step));
const acts = useStepActs(desk, step);
const { asking, turning } = acts;
const help = ref<"keys" | "cautions" | null>(null);
const editing = ref(false);
const toPlan = () => void router.push(`/jobs/${props.job}/plan`);
/** A step that is left out, or was never there, has no page. */
watchEffect(() => {
  if (view.value && !step.value) void router.replace(`/jobs/${props.job}/plan`);
});
const go = (key: string) => void router.push(`/jobs/${props.job}/plan/${key}`);
const done = computed(() => step.value && !["ready", "held"].includes(step.value.state));
const following = computed(() => view.value?.steps[step.value?.number ?? 0]);
const onward = () => {
  const next = view.value?.next;
  if (next && next !== props.step) go(next);
  else toPlan();
};
function main() {
  if (turning.value) return;
  if (done.value && step.value?.state !== "check") onward();
  else if (step.value?.act.sort === "set")
    void router.push(`/jobs/${props.job}/set/${step.value.setting_id}`);
  else void acts.run();
}
useStageKeys((event) => {
  if (help.value || editing.value || asking.value) {
    if (event.key !== "Escape") return false;
    editing.value = false;
    acts.stopAsking();
    return true;
  }
  const feel = turning.value ? view.value?.feels[Number(event.key) - 1] : undefined;
  if (feel) void acts.turned(feel.key);
  else if (event.key === "?") help.value = "keys";
  else if (event.key === "a") help.value = "cautions";
  else if (event.key === "Enter") main();
  else if (event.key === "c") void acts.backOne();
  else if (event.key === "d") acts.ask("differently");
  else if (event.key === "x") acts.ask("skipped");
  else if (event.key === "e") editing.value = true;
  else if (event.key === "n" && following.value) go(following.value.key);
  else if (event.key === "p" || event.key === "Escape") toPlan();
  else return false;
  return true;
});
const mainWords = computed(() =>
  done.value && step.value?.state !== "check" ? "On to the next" : (step.value?.act.main ?? ""),
);
const waitsFor = computed(() => {
  const all = step.value?.gates.map((g) => g.words) ?? [];
  const more = all.length > 2 ? `, and ${all.length - 2} more` : "";
  return all.slice(0, 2).join(". ") + more;
});
const bolting = computed(() => Boolean(step.value?.torque));
</script>

<template>
  <WaitPage v-if="!view || !step" :problem="desk.query.error.value" />
  <JobFrame
    v-else
    :job="job"
    :tag="view.job.tag"
    :title="step.label"
    :sub="`Step ${step.number} of ${view.steps.length}`"
    here="plan"
  >
    <template #rail><LineRail :view="view" :here="step.number" /></template>
    <SayLine
      :say="step.act.say"
      :eyebrow="step.act.eyebrow || `Step ${step.number} of ${view.steps.length}`"
      :head="step.gates[0] ? 'It waits' : ''"
      :aside="waitsFor"
    />
    <div class="grid flex-1 content-start lg:grid-cols-[minmax(400px,560px)_1fr]" data-step-page>
      <section class="bg-bay lg:border-r-2" aria-label="The part">
        <BoltRing
          v-if="bolting || step.step.mark_at"
          :torque="step.torque"
          :mark="step.step.mark_at"
          :seen="step.way_seen"
          :words="step.step.way_round"
          :wrong="step.step.wrong_way"
        />
        <StepFacts :step="step" :drawn="bolting || step.step.mark_at > 0" />
      </section>
      <section class="min-w-0">
        <GoBackPanel
          v-if="done && !turning"
          :key="step.key"
          :view="view"
          :step="step"
          :desk="desk"
          @done="acts.letGo"
        />
        <StepWords v-if="asking" :acts="acts" />
        <TorqueRule v-if="step.torque" :torque="step.torque" />
        <RouterLink
          v-for="f in step.fits"
          :key="f.at + f.said"
          :to="`/jobs/${job}/fit?at=${f.at}`"
          class="mx-5 flex min-h-12 items-center border-b-2 border-row py-2 text-[18px] font-semibold wrap-anywhere underline"
          data-step-fit
          >{{ f.said }}</RouterLink
        >
        <SealantRule
          v-if="step.step.open_minutes && !done"
          :begun="step.sealant_begun"
          :skew="desk.skew.value"
          :minutes="step.step.open_minutes"
          :turns="step.torque?.done ?? 0"
          :left="(step.torque?.bolts ?? 0) * (step.torque?.stages.length ?? 0) - (step.torque?.done ?? 0)"
        />
        <div class="flex flex-wrap items-stretch gap-4 px-5 py-3">
          <StepTurn v-if="step.turn" :view="view" :step="step" :open="turning" @turn="acts.turned" />
          <button
            v-if="mainWords && !turning"
            type="button"
            class="control control-main min-h-[90px] min-w-[216px] flex-1 flex-col gap-1 text-[20px] wrap-anywhere xl:max-w-[300px]"
            data-main
            @click="main"
          >
            {{ mainWords }} <span class="keycap">Enter or pedal</span>
          </button>
        </div>
      </section>
    </div>
    <OwnStepForm v-if="editing" :view="view" :desk="desk" after="" :edit="step" @close="editing = false" />
    <SendingProblem v-if="!asking" :sending="desk" />
    <PageFoot
      v-model:help="help"
      :caution="
        step.step.lift
          ? `It hangs on ${step.step.lift}: nobody under it. Licence: lifting.`
          : view.cautions.slice(0, 2).join(' ')
      "
      :keys="[...KEYS, ...COMMON_KEYS]"
      :cautions="view.cautions"
    >
      <button
        v-if="step.torque && step.torque.done && !done"
        type="button"
        class="control"
        @click="acts.backOne"
      >
        Back one bolt <span class="keycap">c</span>
      </button>
      <button
        v-if="['way_round', 'hole'].includes(step.act.sort)"
        type="button"
        class="control"
        data-not-right
        @click="acts.ask('wrong')"
      >
        Not so
      </button>
      <template v-if="!done">
        <button type="button" class="control" @click="acts.ask('differently')">
          Differently <span class="keycap">d</span>
        </button>
        <button type="button" class="control" @click="acts.ask('skipped')">
          Skip <span class="keycap">x</span>
        </button>
      </template>
      <button v-if="!done" type="button" class="control" @click="editing = true">
        Write anew <span class="keycap">e</span>
      </button>
      <button type="button" class="control" @click="toPlan">Plan <span class="keycap">p</span></button>
    </PageFoot>
  </JobFrame>
</template>
