<script setup lang="ts">
/** One setting on the bench: what to do next, where it stands, and the readings that say so. */
import { ref, toRef } from "vue";
import { useRouter } from "vue-router";
import { SET_KEYS, useSetKeys } from "../composables/useSetKeys";
import { useSetting } from "../composables/useSetting";
import { nextTheme } from "../composables/useTheme";
import AskedPanel from "../ui/AskedPanel.vue";
import GivenPanel from "../ui/GivenPanel.vue";
import KeyHelp from "../ui/KeyHelp.vue";
import ProblemLine from "../ui/ProblemLine.vue";
import ReadingRow from "../ui/ReadingRow.vue";
import SayLine from "../ui/SayLine.vue";
import ShellHeader from "../ui/ShellHeader.vue";
import SetFoot from "./SetFoot.vue";
import SetWork from "./SetWork.vue";
import { useSetPage } from "./useSetPage";
import WaitPage from "./WaitPage.vue";

const props = defineProps<{ job: string; setting: string }>();
const desk = useSetting(toRef(props, "setting"));
const { view, problem, retry } = desk;
const router = useRouter();
const help = ref<"keys" | "cautions" | null>(null);
const {
  sheet,
  typed,
  picked,
  panel,
  preview,
  cautionsRead,
  asked,
  live,
  name,
  shownPanel,
  eyebrow,
  working,
  signed,
  fieldProblems,
  main,
  close,
  take,
  done,
  answer,
  sign,
  give,
  reseat,
  toggle,
  openMove,
  correctLast,
} = useSetPage(desk, () => void router.push(`/jobs/${props.job}/record`));
const onKey = useSetKeys(typed, {
  Enter: () => panel.value === "log" && main.value?.run(),
  Escape: close,
  "=": toggle("working"),
  m: openMove,
  c: correctLast,
  r: reseat,
  g: toggle("given"),
  s: toggle("sign"),
  a: () => (help.value = "cautions"),
  t: nextTheme,
  b: () => void router.push("/"),
  "?": () => (help.value = "keys"),
});
</script>

<template>
  <WaitPage v-if="!view || !sheet" :problem="desk.query.error.value" />
  <div v-else class="flex min-h-full flex-col" @keydown="onKey">
    <ShellHeader
      :job="job"
      :tag="view.job.tag"
      :title="view.job.unit_name"
      :sub="`${view.label} · round ${sheet.round}`"
      here="set"
    />
    <SayLine
      :say="preview ? preview.option.say.concat([{ text: preview.option.expect, move: false }]) : sheet.say"
      :eyebrow="eyebrow"
      :provisional="sheet.provisional"
      :head="signed ? `Signed by ${signed.by}: ${signed.verdict.replace('_', ' ')}` : sheet.aside_head"
      :aside="sheet.aside"
    />
    <GivenPanel
      v-if="panel === 'given'"
      :fields="view.given.fields"
      :problems="fieldProblems"
      @give="give"
      @cancel="close"
    />
    <div
      v-else
      class="grid flex-1 grid-cols-1 content-start md:grid-cols-[330px_1fr] lg:grid-cols-[372px_1fr] lg:grid-rows-[1fr_auto]"
    >
      <SetWork
        :view="view"
        :panel="shownPanel"
        :preview="preview"
        :name="name"
        :expect="desk.expect"
        @done="done"
        @cancel="close"
        @preview="(p) => (preview = p)"
        @answer="answer"
        @sign="sign"
        @read="cautionsRead = true"
        @toggle-sum="toggle('working')()"
      />
      <section
        class="flex gap-4 px-5 py-3 max-lg:flex-col max-md:order-2 md:col-start-2 md:row-start-2 lg:col-span-2 lg:col-start-1 lg:border-t-2"
        v-if="!working"
      >
        <ReadingRow
          v-model="typed"
          class="min-w-0 flex-1"
          :cells="sheet.cells"
          :live="live"
          :correcting="picked !== null"
          @pick="(slot) => (picked = slot)"
          @take="take"
        >
          <template v-if="asked">
            <p class="mb-2 font-bold">Asked before it counts</p>
            <AskedPanel
              :cell="asked"
              @meant="
                (text) => asked && desk.correct(asked.slot, asked.entries[0]!.id, { text, confirmed: true })
              "
              @stands="
                asked &&
                desk.correct(asked.slot, asked.entries[0]!.id, {
                  text: asked.entries[0]!.as_typed,
                  confirmed: true,
                })
              "
              @strike="(id) => asked && desk.correct(asked.slot, id, { void: true })"
            />
          </template>
          <p v-else class="text-[18px] font-bold">All stations read.</p>
        </ReadingRow>
        <button
          v-if="main"
          type="button"
          class="control control-main min-h-[72px] shrink-0 flex-col text-[20px] lg:min-h-[96px] lg:w-[132px]"
          data-main
          @click="main.run"
        >
          {{ main.label }} <span class="keycap">Enter</span>
        </button>
      </section>
    </div>
    <ProblemLine
      v-if="problem"
      :problem="problem"
      :can-retry="retry !== null"
      @retry="retry?.()"
      @let-go="desk.letGo"
    />
    <SetFoot
      :cautions="sheet.cautions"
      :can-move="sheet.state_known && !sheet.surprise"
      @help="help = 'keys'"
      @cautions="help = 'cautions'"
      @correct="correctLast"
      @move="openMove"
      @given="panel = 'given'"
      @reseat="reseat"
      @sign="panel = 'sign'"
    />
    <KeyHelp :open="help === 'keys'" title="Keys" :rows="SET_KEYS" @close="help = null" />
    <KeyHelp
      :open="help === 'cautions'"
      title="Cautions"
      :rows="sheet.cautions.map((c) => ['', c])"
      @close="help = null"
    />
  </div>
</template>
