<script setup lang="ts">
/** The build order of a job: what traps what, what is next, what lies on the tray. */
import { computed, ref, toRef } from "vue";
import { useRouter } from "vue-router";
import { COMMON_KEYS, useStageKeys } from "../../composables/useStageKeys";
import { useZone } from "../../composables/useZone";
import JobFrame from "../../ui/JobFrame.vue";
import SendingProblem from "../../ui/SendingProblem.vue";
import SayLine from "../../ui/SayLine.vue";
import WaitPage from "../WaitPage.vue";
import EmptyPlan from "./EmptyPlan.vue";
import OverrulePanel, { type Weak } from "./OverrulePanel.vue";
import OwnStepForm from "./OwnStepForm.vue";
import PlanBay from "./PlanBay.vue";
import PageFoot from "../../ui/PageFoot.vue";
import PlanLine from "./PlanLine.vue";
import TurnZone from "./TurnZone.vue";
import { usePlan } from "./usePlan";
import { usePlanLine } from "./usePlanLine";

const KEYS: [string, string][] = [
  ["↑ ↓", "Another step"],
  ["Space", "Pick it up; ↑ ↓ move it, Enter puts it, Esc puts it back"],
  ["Enter", "Put it where the finding says, or work the step"],
  ["n", "Next finding"],
  ["w", "Work the step"],
  ["+", "A step of your own"],
  ["f", "Free turns"],
  ["a", "Cautions"],
];
const props = defineProps<{ job: string }>();
const router = useRouter();
const desk = usePlan(toRef(props, "job"));
const { view, problem } = desk;
const line = usePlanLine(view);
const { hand, mend, chosen, finding, at, picked } = line;
const zone = useZone<"order" | "turns">("order", ["order", "turns"]);
const help = ref<"keys" | "cautions" | null>(null);
const writing = ref(false);
const wanted = ref<{ step: string; after: string } | null>(null);
const forbidden = computed(() => (wanted.value && problem.value?.field === "after" ? problem.value : null));
async function move(step: string, after: string) {
  wanted.value = { step, after };
  if (await desk.write("step_moved", { step, after })) {
    wanted.value = null;
    at.value = 0;
    line.putBack();
  }
}
async function overrule(needs: Weak[], why: string) {
  for (const n of needs)
    if (!(await desk.write("need_judged", { before: n.before, after: n.after, holds: false, words: why })))
      return;
  if (wanted.value) await move(wanted.value.step, wanted.value.after);
}
const answer = (row: string, field: string, value: string) =>
  desk.write("section_answered", { row, field, value });
function leave() {
  wanted.value = null;
  desk.letGo();
  line.putBack();
}
const work = () => chosen.value && void router.push(`/jobs/${props.job}/plan/${workable.value}`);
const workable = computed(() => picked.value ?? view.value?.next ?? "");
const workNumber = computed(() => view.value?.steps.find((s) => s.key === workable.value)?.number ?? 0);
const landing = computed(() => {
  const to = hand.value ?? (picked.value ? null : mend.value);
  const step = view.value?.steps.find((s) => s.key === to?.step);
  const after = view.value?.steps.find((s) => s.key === to?.after);
  return to && step ? { ...to, from: step.number, at: (after?.number ?? 0) + 1 } : null;
});
/** A turn that went tight comes before any order: nothing more is put in until it is found. */
const tight = computed(
  () => Boolean(view.value?.suspects.length) && !hand.value && !picked.value && at.value === 0,
);
function main() {
  if (tight.value) zone.value = "turns";
  else if (landing.value) void move(landing.value.step, landing.value.after);
  else work();
}
const mainWords = computed(() =>
  tight.value
    ? "To the turns"
    : landing.value
      ? `Move ${landing.value.from} to ${landing.value.at}`
      : `Work step ${workNumber.value}`,
);
useStageKeys((event) => {
  if (help.value) return false;
  if (event.key === "?") help.value = "keys";
  else if (event.key === "a") help.value = "cautions";
  else if (event.key === "f") zone.value = zone.value === "turns" ? "order" : "turns";
  else if (event.key === "Escape" && (hand.value || forbidden.value || picked.value)) leave();
  else if (event.key === "Escape" && writing.value) writing.value = false;
  else if (zone.value !== "order" || writing.value || !view.value?.steps.length) return false;
  else if (event.key === "ArrowDown" || event.key === "ArrowUp") {
    const by = event.key === "ArrowDown" ? 1 : -1;
    if (hand.value) line.shift(by);
    else line.choose(by);
  } else if (event.key === " ") line.pickUp();
  else if (event.key === "Enter") main();
  else if (event.key === "n") line.nextFinding();
  else if (event.key === "w") work();
  else if (event.key === "+") writing.value = true;
  else return false;
  return true;
});
const lastDone = computed(() => view.value?.steps[(view.value?.done ?? 0) - 1]?.key ?? "");
const say = computed(() => (finding.value && at.value > 0 ? finding.value.say : (view.value?.say ?? [])));
const eyebrow = computed(() => {
  const n = view.value?.findings.length ?? 0;
  if (zone.value === "turns") return "Free turns";
  return n ? `Plan, finding ${at.value + 1} of ${n}` : "Plan";
});
</script>

<template>
  <WaitPage v-if="!view" :problem="desk.query.error.value" />
  <JobFrame
    v-else
    :job="job"
    :tag="view.job.tag"
    :title="view.job.unit_name"
    :sub="view.head ? `Build order · ${view.head}` : view.job.complaint"
    here="plan"
  >
    <SayLine
      :say="say"
      :eyebrow="eyebrow"
      :head="at > 0 ? (finding?.title ?? '') : view.say_head"
      :aside="at > 0 ? (finding?.do ?? '') : view.say_aside"
    />
    <OwnStepForm
      v-if="writing"
      :view="view"
      :desk="desk"
      :after="picked ?? lastDone"
      @close="writing = false"
    />
    <EmptyPlan
      v-else-if="!view.steps.length"
      :job="job"
      @begin="desk.write('from_type', {})"
      @own="writing = true"
    />
    <TurnZone v-else-if="zone === 'turns'" :view="view" :desk="desk" />
    <div v-else class="flex flex-1 flex-col-reverse lg:flex-row">
      <PlanBay v-model="at" :view="view" :desk="desk" :chosen="chosen" @answer="answer" />
      <PlanLine :view="view" :line="line" @move="move" @own="writing = true" @turns="zone = 'turns'" />
    </div>
    <OverrulePanel v-if="forbidden" :problem="forbidden" @overrule="overrule" @back="leave" />
    <SendingProblem v-else :sending="desk" />
    <PageFoot
      v-model:help="help"
      :caution="view.cautions.slice(0, 2).join(' ')"
      :keys="[...KEYS, ...COMMON_KEYS]"
      :cautions="view.cautions"
    >
      <template v-if="hand">
        <button type="button" class="control" @click="line.shift(-1)">
          Up <span class="keycap">↑</span>
        </button>
        <button type="button" class="control" @click="line.shift(1)">
          Down <span class="keycap">↓</span>
        </button>
        <button type="button" class="control" @click="leave">Put back <span class="keycap">Esc</span></button>
      </template>
      <template v-else-if="zone === 'order' && view.steps.length && !writing">
        <button type="button" class="control" @click="line.pickUp">
          Pick up <span class="keycap">Space</span>
        </button>
        <button v-if="view.findings.length" type="button" class="control" @click="line.nextFinding">
          Next finding <span class="keycap">n</span>
        </button>
      </template>
      <button v-if="zone === 'turns'" type="button" class="control" @click="zone = 'order'">
        Order <span class="keycap">f</span>
      </button>
      <button
        v-if="landing && zone === 'order' && workNumber && !writing"
        type="button"
        class="control"
        data-work
        @click="work"
      >
        Work {{ workNumber }} <span class="keycap">w</span>
      </button>
      <button
        v-if="zone === 'order' && view.steps.length && (landing || workNumber) && !writing"
        type="button"
        class="control control-main"
        data-main
        @click="main"
      >
        {{ mainWords }}
        <span class="keycap">Enter</span>
      </button>
    </PageFoot>
  </JobFrame>
</template>
