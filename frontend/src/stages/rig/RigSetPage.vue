<script setup lang="ts">
/** A rig that is one setting: the setting's own page, with the bar to pull and the advice to be asked for. */
import { computed, ref, toRef } from "vue";
import { nextTheme } from "../../composables/useTheme";
import ActFoot, { type Act } from "../../ui/ActFoot.vue";
import SayLine from "../../ui/SayLine.vue";
import SendingProblem from "../../ui/SendingProblem.vue";
import GivenPanel from "../set/GivenPanel.vue";
import NotTaken from "../set/NotTaken.vue";
import ReadingZone from "../set/ReadingZone.vue";
import { useSaid } from "../set/useSaid";
import { RIG_KEYS, settingKeys, useSetKeys } from "../set/useSetKeys";
import { useSetPage } from "../set/useSetPage";
import { useSetting } from "../set/useSetting";
import WaitPage from "../WaitPage.vue";
import RigFrame from "./RigFrame.vue";
import RigLayout from "./RigLayout.vue";
import { HABIT, toTheRigs, useRig } from "./useRig";

const props = defineProps<{ job: string; setting: string }>();
const desk = useSetting(toRef(props, "setting"));
const help = ref<"keys" | "cautions" | null>(null);
const learner = useRig();
const rig = learner.rig;
const looking = ref(false);
const page = useSetPage(props.setting, desk, () => undefined);
const { say, head, aside, canMove } = useSaid(page);
const look = () => (looking.value = !looking.value);
useSetKeys(
  {
    ...settingKeys(page),
    l: look,
    w: learner.ask,
    a: () => (help.value = "cautions"),
    t: nextTheme,
    b: toTheRigs,
    "?": () => (help.value = "keys"),
  },
  page.stray,
);
const acts = computed<Act[]>(() =>
  rig.value?.cloth
    ? []
    : [
        { key: "l", label: "Look", run: look },
        { key: "m", label: "Move", run: page.openMove, off: !canMove.value },
        { key: "r", label: "Re-seat", run: page.reseat, off: !canMove.value },
        { key: "w", label: "What would you do?", run: learner.ask, off: rig.value?.asked ?? false },
        { key: "g", label: "Given", run: () => (page.panel = "given") },
        { key: "s", label: "Sign, lift the cloth", run: () => (page.panel = "sign") },
      ],
);
</script>

<template>
  <WaitPage v-if="!page.view || !page.sheet || !rig" :problem="desk.query.error.value" />
  <RigFrame v-else :rig="rig">
    <SayLine
      :say="say"
      :eyebrow="page.eyebrow"
      :provisional="page.sheet.provisional"
      :head="head"
      :aside="aside"
    />
    <NotTaken :page="page" />
    <GivenPanel v-if="page.panel === 'given'" :page="page" :view="page.view" />
    <div
      v-else
      class="grid flex-1 grid-cols-1 content-start md:grid-cols-[340px_1fr] lg:grid-cols-[430px_1fr] lg:grid-rows-[1fr_auto]"
    >
      <RigLayout v-model:looking="looking" :page="page" :desk="desk" :rig="learner" />
      <ReadingZone v-if="!page.working && !looking && !rig.cloth" :page="page" :desk="desk" narrow />
    </div>
    <SendingProblem :sending="desk" />
    <ActFoot
      v-model:help="help"
      :caution="HABIT"
      :acts="acts"
      :keys="RIG_KEYS"
      :cautions="page.sheet.cautions"
    />
  </RigFrame>
</template>
