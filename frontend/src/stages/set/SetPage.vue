<script setup lang="ts">
/** One setting on the bench: what to do next, where it stands, and the readings that say so. */
import { computed, ref, toRef, watch } from "vue";
import { useRoute, useRouter } from "vue-router";
import { nextTheme } from "../../composables/useTheme";
import ActFoot, { type Act } from "../../ui/ActFoot.vue";
import SendingProblem from "../../ui/SendingProblem.vue";
import SealLine from "../../ui/SealLine.vue";
import SayLine from "../../ui/SayLine.vue";
import JobFrame from "../../ui/JobFrame.vue";
import WaitPage from "../WaitPage.vue";
import GivenPanel from "./GivenPanel.vue";
import { columnsOf, layoutOf } from "./layouts";
import MemoryStrip from "./MemoryStrip.vue";
import NotTaken from "./NotTaken.vue";
import ReadingZone from "./ReadingZone.vue";
import { useSaid } from "./useSaid";
import { SET_KEYS, settingKeys, useSetKeys } from "./useSetKeys";
import { useSetPage } from "./useSetPage";
import { useSetting } from "./useSetting";

const props = defineProps<{ job: string; setting: string }>();
const desk = useSetting(toRef(props, "setting"));
const router = useRouter();
const route = useRoute();
const help = ref<"keys" | "cautions" | null>(null);
const page = useSetPage(props.setting, desk, () => void router.push(`/jobs/${props.job}/record`));
const { say, head, aside, canMove } = useSaid(page);
useSetKeys(
  {
    ...settingKeys(page),
    w: () => {
      if (page.sheet?.what_if) void router.push(`/jobs/${props.job}/set/${props.setting}/what-if`);
    },
    " ": () => page.heard.press(),
    a: () => (help.value = "cautions"),
    t: nextTheme,
    b: () => void router.push("/"),
    "?": () => (help.value = "keys"),
  },
  page.stray,
);
const acts = computed<Act[]>(() => [
  { key: "c", label: "Correct", run: page.correctLast },
  { key: "m", label: "Move", run: page.openMove, off: !canMove.value },
  { key: "r", label: "Re-seat", run: page.reseat, off: !canMove.value },
  { key: "g", label: "Given", run: () => (page.panel = "given") },
  { key: "s", label: "Sign", run: () => (page.panel = "sign") },
]);
/** Packs that were tried out come with the address: they are opened as the move. */
watch(
  () => page.sheet !== undefined && route.hash === "#move",
  (asked) => {
    if (!asked) return;
    page.openMove();
    void router.replace({ hash: "" });
  },
  { immediate: true },
);
</script>

<template>
  <WaitPage v-if="!page.view || !page.sheet" :problem="desk.query.error.value" />
  <JobFrame
    v-else
    :job="job"
    :tag="page.view.job.tag"
    :title="page.view.job.unit_name"
    :sub="`${page.view.label} · round ${page.sheet.round}`"
    :here="page.sheet.stage ?? 'set'"
  >
    <SayLine
      :say="say"
      :eyebrow="page.eyebrow"
      :provisional="page.sheet.provisional"
      :head="head"
      :aside="aside"
    />
    <MemoryStrip :lines="page.view.memory" />
    <SealLine :broken="page.signed?.broken ?? []" class="px-5" />
    <NotTaken :page="page" />
    <GivenPanel v-if="page.panel === 'given'" :page="page" :view="page.view" />
    <div
      v-else
      class="grid flex-1 grid-cols-1 content-start lg:grid-rows-[1fr_auto]"
      :class="columnsOf(page.sheet.layout)"
    >
      <component :is="layoutOf(page.sheet.layout)" :page="page" :desk="desk" />
      <ReadingZone v-if="!page.working" :page="page" :desk="desk" />
    </div>
    <SendingProblem :sending="desk" />
    <ActFoot
      v-model:help="help"
      :caution="page.sheet.cautions.slice(0, 2).join(' ')"
      :acts="acts"
      :keys="SET_KEYS"
      :cautions="page.sheet.cautions"
    />
  </JobFrame>
</template>
