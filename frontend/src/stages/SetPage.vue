<script setup lang="ts">
/** One setting on the bench: what to do next, where it stands, and the readings that say so. */
import { computed, ref, toRef } from "vue";
import { useRouter } from "vue-router";
import type { Expectation } from "../api/client";
import { actor, useMechanics } from "../composables/useActor";
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
import SetWork, { type Panel } from "./SetWork.vue";
import WaitPage from "./WaitPage.vue";

const props = defineProps<{ job: string; setting: string }>();
const desk = useSetting(toRef(props, "setting"));
const { view, problem, retry, busy } = desk;
const { data: mechanics } = useMechanics();
const router = useRouter();
const typed = ref("");
const picked = ref<string | null>(null);
const panel = ref<Panel>("log");
const help = ref<"keys" | "cautions" | null>(null);
const preview = ref<Expectation | null>(null);
const cautionsRead = ref(false);

const sheet = computed(() => view.value?.sheet);
const asked = computed(() =>
  sheet.value?.cells.find((c) => c.status === "asked" || c.status === "contested"),
);
const live = computed(() =>
  asked.value && !picked.value ? null : (picked.value ?? sheet.value?.next ?? null),
);
const liveCell = computed(() => sheet.value?.cells.find((c) => c.slot === live.value));
const name = computed(() => mechanics.value?.find((m) => m.id === actor.value)?.name ?? "");
const fresh = computed(
  () =>
    sheet.value !== undefined && sheet.value.round === 1 && sheet.value.cells.every((c) => !c.entries.length),
);
const shownPanel = computed<Panel>(() => {
  if (panel.value !== "log") return panel.value;
  if (fresh.value && !cautionsRead.value) return "cautions";
  return sheet.value?.surprise ? "surprise" : "log";
});
const taken = computed(() => sheet.value?.cells.filter((c) => c.status === "taken").length ?? 0);
const eyebrow = computed(() => {
  if (!sheet.value) return "";
  return taken.value ? `Next move, on ${taken.value} of ${sheet.value.cells.length} readings` : "Next move";
});
const working = computed(() => ["move", "recount", "sign"].includes(panel.value));
const signed = computed(() => (view.value?.signature?.current ? view.value.signature : null));
const fieldProblems = computed(
  () => (problem.value?.details as { fields?: Record<string, string> } | undefined)?.fields ?? {},
);

function close() {
  if (typed.value) typed.value = "";
  panel.value = "log";
  picked.value = null;
  preview.value = null;
}
async function take() {
  const cell = liveCell.value;
  if (!cell || busy.value) return;
  const old = cell.entries.at(-1);
  if (cell.accepts === "confirm") await desk.read(cell.slot, { value: true });
  else if (!typed.value.trim()) return;
  else {
    const text = typed.value.trim();
    const done =
      old && picked.value
        ? await desk.correct(cell.slot, old.id, { text })
        : await desk.read(cell.slot, { text });
    if (!done) return;
  }
  typed.value = "";
  picked.value = null;
}
async function done(state: unknown, remark: string) {
  const knob = view.value?.knobs[0];
  if (!knob) return;
  const states = { [knob.key]: state };
  const ok =
    panel.value === "recount"
      ? await desk.explain("recounted", remark, states)
      : await desk.act(sheet.value?.state_known ? "move" : "as_found", states, remark);
  if (ok) close();
}
async function answer(cause: string, words: string) {
  if (cause === "recounted") panel.value = "recount";
  else if (cause === "reread" || cause === "unexplained") await desk.explain(cause, words);
}
async function sign(remark: string) {
  if (await desk.sign(remark)) close();
}
async function give(given: Record<string, unknown>) {
  if (await desk.give(given)) close();
}
const reseat = () => void desk.act("reseat", {});
const toggle = (which: Panel) => () => (panel.value = panel.value === which ? "log" : which);
const openMove = () => (panel.value = sheet.value?.surprise ? "log" : "move");
function correctLast() {
  const last = sheet.value?.cells
    .filter((c) => c.status === "taken")
    .sort((a, b) => (a.entries[0]?.seq ?? 0) - (b.entries[0]?.seq ?? 0))
    .at(-1);
  if (last) picked.value = last.slot;
}
const main = computed(() => {
  const s = sheet.value;
  if (!s) return null;
  if (shownPanel.value === "cautions") return { label: "Read", run: () => (cautionsRead.value = true) };
  if (!s.state_known) return { label: "Enter it", run: openMove };
  if (live.value) return { label: "Take it", run: () => void take() };
  if (s.surprise || asked.value) return null;
  if (signed.value) return { label: "Record", run: () => void router.push(`/jobs/${props.job}/record`) };
  if (!s.sign_blockers.length && (!s.move?.best || s.move.stay))
    return { label: "Sign", run: toggle("sign") };
  return { label: "Do the move", run: openMove };
});
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
      :eyebrow="preview ? 'Your own move' : eyebrow"
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
