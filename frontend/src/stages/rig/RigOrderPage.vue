<script setup lang="ts">
/** A rig that is a build order with a trap: the steps are moved, then it is closed. */
import { computed, toRef } from "vue";
import SectionMark from "../../marks/SectionMark.vue";
import type { Act } from "../../ui/ActFoot.vue";
import SayLine from "../../ui/SayLine.vue";
import SendingProblem from "../../ui/SendingProblem.vue";
import FindingList from "../plan/FindingList.vue";
import PlanLine from "../plan/PlanLine.vue";
import { usePlan } from "../plan/usePlan";
import { usePlanLine } from "../plan/usePlanLine";
import WaitPage from "../WaitPage.vue";
import RigCloth from "./RigCloth.vue";
import RigFrame from "./RigFrame.vue";
import RigFoot from "./RigFoot.vue";
import RigScore from "./RigScore.vue";
import { useRig } from "./useRig";
import { useRigKeys } from "./useRigKeys";

const KEYS: [string, string][] = [
  ["↑ ↓", "another step"],
  ["Space", "pick it up; ↑ ↓ move it, Enter puts it, Esc puts it back"],
  ["w", "what would you do? shows what is found, costs a teardown"],
  ["s", "close it up: lifts the cloth"],
];
const props = defineProps<{ job: string }>();
const desk = usePlan(toRef(props, "job"));
const { view } = desk;
const line = usePlanLine(view);
const { hand, at } = line;
const learner = useRig();
const rig = learner.rig;
const done = computed(() => rig.value?.cloth != null);
async function move(step: string, after: string) {
  if (done.value) return;
  if (await desk.write("step_moved", { step, after })) {
    line.putBack();
    at.value = 0;
    learner.refresh();
  }
}
function put() {
  const to = hand.value ?? (line.picked.value ? null : line.mend.value);
  if (!to) return false;
  void move(to.step, to.after);
  return true;
}
const say = computed(() =>
  rig.value?.cloth ? [{ text: rig.value.cloth.words, move: false }] : (view.value?.say ?? []),
);
const acts = computed<Act[]>(() => {
  if (done.value) return [];
  if (hand.value)
    return [
      { key: "↑", label: "Up", run: () => line.shift(-1) },
      { key: "↓", label: "Down", run: () => line.shift(1) },
      { key: "Esc", label: "Put back", run: line.putBack },
      { key: "Enter", label: "Put it here", run: put, main: true },
    ];
  const proposed: Act[] =
    line.mend.value && !line.picked.value
      ? [{ key: "Enter", label: "Put it there", run: put, main: true }]
      : [];
  return [
    { key: "Space", label: "Pick up", run: line.pickUp, off: !line.chosen.value },
    { key: "w", label: "What would you do?", run: learner.ask, off: rig.value?.asked ?? false },
    { key: "s", label: "Close it, lift the cloth", run: learner.lift },
    ...proposed,
  ];
});
const help = useRigKeys(learner, (event) => {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (by && hand.value) line.shift(by);
  else if (by) line.choose(by);
  else if (event.key === " ") line.pickUp();
  else if (event.key === "Escape") line.putBack();
  else return event.key === "Enter" && put();
  return true;
});
</script>

<template>
  <WaitPage v-if="!view || !rig" :problem="desk.query.error.value ?? learner.query.error.value" />
  <RigFrame v-else :rig="rig">
    <SayLine :say="say" :head="view.head" :aside="view.job.complaint" low />
    <RigScore :score="rig.score" />
    <RigCloth
      :cloth="rig.cloth"
      again="/practice"
      under="what this order shuts off before it is in"
      when="close it"
    />
    <div class="flex flex-1 flex-col-reverse lg:flex-row">
      <aside class="w-full border-r-2 bg-bay lg:w-[430px] lg:shrink-0" aria-label="Section">
        <SectionMark
          :scene="{ ...view.section, flags: [], labels: [] }"
          :states="view.part_states"
          close
          class="px-4 py-3 lg:sticky lg:top-(--kept)"
        />
        <FindingList v-if="view.findings.length" v-model="at" :findings="view.findings" class="border-t-2" />
      </aside>
      <PlanLine :view="view" :line="line" bare @move="move" />
    </div>
    <SendingProblem :sending="desk" />
    <RigFoot v-model:help="help" :rig="learner" :acts="acts" :keys="KEYS" :cautions="view.cautions" />
  </RigFrame>
</template>
