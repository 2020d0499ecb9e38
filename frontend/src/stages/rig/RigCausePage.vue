<script setup lang="ts">
/** A rig that is a cause of failure: parts to look at on the left, causes to name on the right. */
import { computed, ref, toRef } from "vue";
import type { Act } from "../../ui/ActFoot.vue";
import SayLine from "../../ui/SayLine.vue";
import SendingProblem from "../../ui/SendingProblem.vue";
import CauseList from "../inspect/CauseList.vue";
import HoldList from "../inspect/HoldList.vue";
import { useInspect } from "../inspect/useInspect";
import WaitPage from "../WaitPage.vue";
import RigCloth from "./RigCloth.vue";
import RigFrame from "./RigFrame.vue";
import RigParts from "./RigParts.vue";
import RigFoot from "./RigFoot.vue";
import RigScore from "./RigScore.vue";
import { useRig } from "./useRig";
import { useRigKeys } from "./useRigKeys";

const KEYS: [string, string][] = [
  ["↓ ↑", "from part to part; Enter looks"],
  ["w", "what would you do? shows what the evidence points to, costs a teardown"],
  ["s", "lift the cloth, once a cause is named"],
];
const props = defineProps<{ job: string }>();
const desk = useInspect(toRef(props, "job"));
const { view } = desk;
const learner = useRig();
const rig = learner.rig;
const parts = ref<InstanceType<typeof RigParts> | null>(null);
const named = computed(() => view.value?.named.at(-1) ?? "");
const namedLabel = computed(
  () => view.value?.diagnosis.ranked.find((c) => c.key === named.value)?.label ?? "",
);
const say = computed(() => {
  if (rig.value?.cloth) return [{ text: rig.value.cloth.words, move: false }];
  if (named.value)
    return [
      { text: "You go by ", move: false },
      { text: namedLabel.value.toLowerCase(), move: true },
      { text: ". Lift the cloth, or look again.", move: false },
    ];
  return [
    { text: "Look, then name it: ", move: false },
    { text: "what did it?", move: true },
  ];
});
const acts = computed<Act[]>(() =>
  rig.value?.cloth
    ? []
    : [
        { key: "w", label: "What would you do?", run: learner.ask, off: rig.value?.asked ?? false },
        { key: "s", label: "Lift the cloth", run: learner.lift, main: named.value !== "" },
      ],
);
const help = useRigKeys(learner, (event) => {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  return (by && parts.value?.step(by)) || false;
});
</script>

<template>
  <WaitPage v-if="!view || !rig" :problem="desk.query.error.value ?? learner.query.error.value" />
  <RigFrame v-else :rig="rig">
    <SayLine :say="say" :head="view.job.complaint" aside="One sign is no proof: two parts must say it." low />
    <RigScore :score="rig.score" />
    <RigCloth :cloth="rig.cloth" again="/practice" under="what did it" when="have named it" />
    <div class="grid flex-1 content-start lg:grid-cols-[1fr_440px]">
      <RigParts ref="parts" :rig="rig" :desk="desk" :view="view" class="bg-bay" @look="learner.look" />
      <section class="px-5 py-3 max-lg:border-t-2 lg:border-l-2" data-diagnosis>
        <p class="text-[24px] leading-tight font-bold" aria-live="polite" data-diagnosis-words>
          {{ view.diagnosis.words }}
        </p>
        <ul v-if="view.diagnosis.tell_apart.length" class="mt-2">
          <li v-for="w in view.diagnosis.tell_apart" :key="w" class="text-[16px]">{{ w }}</li>
        </ul>
        <CauseList :desk="desk" :view="view" :closed="rig.cloth !== null" />
        <HoldList v-if="view.holds.length && !rig.cloth" :desk="desk" :holds="view.holds" />
      </section>
    </div>
    <SendingProblem :sending="desk" />
    <RigFoot v-model:help="help" :rig="learner" :acts="acts" :keys="KEYS" :cautions="view.cautions" />
  </RigFrame>
</template>
