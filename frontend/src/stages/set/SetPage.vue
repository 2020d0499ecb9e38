<script setup lang="ts">
/** One setting on the bench: what to do next, where it stands, and the readings that say so. */
import { computed, ref, toRef, watch } from "vue";
import { useRoute, useRouter } from "vue-router";
import { nextTheme } from "../../composables/useTheme";
import KeyHelp from "../../ui/KeyHelp.vue";
import SendingProblem from "../../ui/SendingProblem.vue";
import SealLine from "../../ui/SealLine.vue";
import SayLine from "../../ui/SayLine.vue";
import { rigBase } from "../../api/rigAddress";
import RigFoot from "../rig/RigFoot.vue";
import RigHeader from "../rig/RigHeader.vue";
import RigLayout from "../rig/RigLayout.vue";
import { useRig } from "../rig/useRig";
import JobFrame from "../../ui/JobFrame.vue";
import WaitPage from "../WaitPage.vue";
import GivenPanel from "./GivenPanel.vue";
import { columnsOf, layoutOf } from "./layouts";
import MemoryStrip from "./MemoryStrip.vue";
import NotTaken from "./NotTaken.vue";
import ReadingZone from "./ReadingZone.vue";
import SetFoot from "./SetFoot.vue";
import { RIG_KEYS, SET_KEYS, useSetKeys } from "./useSetKeys";
import { useSetPage } from "./useSetPage";
import { useSetting } from "./useSetting";

const props = defineProps<{ job: string; setting: string }>();
const desk = useSetting(toRef(props, "setting"));
const router = useRouter();
const route = useRoute();
const help = ref<"keys" | "cautions" | null>(null);
const rig = useRig();
const looking = ref(false);
const page = useSetPage(props.setting, desk, () => {
  if (!rigBase) void router.push(`/jobs/${props.job}/record`);
});
useSetKeys(
  {
    Enter: () => ["log", "working"].includes(page.panel) && page.main?.run(),
    Escape: page.close,
    "=": page.toggle("working"),
    m: page.openMove,
    c: page.correctLast,
    r: page.reseat,
    l: () => {
      if (!rigBase) return false;
      looking.value = !looking.value;
      return true;
    },
    w: () => {
      if (rigBase) return void rig.ask();
      if (page.sheet?.what_if) void router.push(`/jobs/${props.job}/set/${props.setting}/what-if`);
    },
    g: page.toggle("given"),
    " ": () => page.heard.press(),
    s: page.toggle("sign"),
    a: () => (help.value = "cautions"),
    t: nextTheme,
    b: () => (rigBase ? window.location.assign("/practice") : void router.push("/")),
    "?": () => (help.value = "keys"),
  },
  page.stray,
);
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
const say = computed(() => {
  const option = page.preview?.option;
  if (page.signed?.broken.length) return [{ text: "Signed, but the signature does not hold.", move: false }];
  return option ? option.say.concat([{ text: option.expect, move: false }]) : (page.sheet?.say ?? []);
});
const head = computed(() =>
  page.signed
    ? `Signed by ${page.signed.by}: ${page.signed.verdict.replace("_", " ")}`
    : (page.sheet?.aside_head ?? ""),
);
const lacking = computed(() => page.signed?.not_held.join(", "));
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
    <template v-if="rigBase && rig.rig.value" #header>
      <RigHeader :number="rig.rig.value.number" :sort="rig.rig.value.sort" :title="rig.rig.value.title" />
    </template>
    <SayLine
      :say="say"
      :eyebrow="page.eyebrow"
      :provisional="page.sheet.provisional"
      :head="head"
      :aside="lacking ? `This older signature does not hold: ${lacking}.` : page.sheet.aside"
    />
    <MemoryStrip :lines="page.view.memory" />
    <SealLine :broken="page.signed?.broken ?? []" class="px-5" />
    <NotTaken :page="page" />
    <GivenPanel
      v-if="page.panel === 'given'"
      :setting="`${setting}.${page.view.given.seq}`"
      :kind="page.sheet.kind"
      :job="page.view.job"
      :fields="page.view.given.fields"
      :problems="page.fieldProblems"
      @give="page.give"
      @cancel="page.close"
    />
    <div
      v-else
      class="grid flex-1 grid-cols-1 content-start lg:grid-rows-[1fr_auto]"
      :class="rigBase ? 'md:grid-cols-[340px_1fr] lg:grid-cols-[430px_1fr]' : columnsOf(page.sheet.layout)"
    >
      <RigLayout v-if="rigBase" v-model:looking="looking" :page="page" :desk="desk" :rig="rig" />
      <component v-else :is="layoutOf(page.sheet.layout)" :page="page" :desk="desk" />
      <ReadingZone
        v-if="!page.working && !looking && !rig.rig.value?.cloth"
        :page="page"
        :desk="desk"
        :narrow="rigBase !== ''"
      />
    </div>
    <SendingProblem :sending="desk" />
    <RigFoot
      v-if="rigBase"
      :can-move="page.sheet.state_known && !page.sheet.surprise"
      :asked="rig.rig.value?.asked ?? false"
      :done="rig.rig.value?.cloth != null"
      @help="help = 'keys'"
      @cautions="help = 'cautions'"
      @correct="page.correctLast"
      @move="page.openMove"
      @given="page.panel = 'given'"
      @reseat="page.reseat"
      @sign="page.panel = 'sign'"
      @look="looking = !looking"
      @ask="rig.ask"
    />
    <SetFoot
      v-else
      :cautions="page.sheet.cautions"
      :can-move="page.sheet.state_known && !page.sheet.surprise"
      @help="help = 'keys'"
      @cautions="help = 'cautions'"
      @correct="page.correctLast"
      @move="page.openMove"
      @given="page.panel = 'given'"
      @reseat="page.reseat"
      @sign="page.panel = 'sign'"
    />
    <KeyHelp
      :open="help === 'keys'"
      title="Keys"
      :rows="rigBase ? RIG_KEYS : SET_KEYS"
      @close="help = null"
    />
    <KeyHelp
      :open="help === 'cautions'"
      title="Cautions"
      :rows="page.sheet.cautions.map((c) => ['', c])"
      @close="help = null"
    />
  </JobFrame>
</template>
