<script setup lang="ts">
/** Writes down what was really done: the proposal, its rivals, or the mechanic's own choice. */
import { computed, onMounted, ref, useTemplateRef, watch } from "vue";
import type { Expectation, Knob, Move, Option } from "../../api/client";
import { draftOf, isEmpty, putIn, sentOf, type Draft } from "./drafts";
import { useKeys } from "../../composables/useKeys";
import { useKept } from "../../composables/useKept";
import KnobEditor from "./KnobEditor.vue";
import type { States } from "./useSetting";

const props = defineProps<{
  knobs: Knob[];
  move: Move | null;
  purpose: "as_found" | "move" | "recount";
  round: number;
  expect: (states: States) => Promise<Expectation>;
  /** Under which name what is entered here outlives a reload. */
  keep: string;
  /** A digit that was typed before this was open. */
  seed: string;
}>();
const emit = defineEmits<{
  done: [states: States, remark: string, written: () => void];
  cancel: [];
  preview: [shown: Expectation | null];
}>();
const drafts = useKept<Record<string, Draft>>(`${props.keep}.drafts`, {});
const remark = useKept<string>(`${props.keep}.remark`, "");
/** A pack left empty is asked about before it is written down. */
const sure = ref("");
const asked = computed(() => sure.value === JSON.stringify(states.value));
const told = ref<Expectation | null>(null);
const trouble = ref("");
const states = computed<States>(() => {
  const sent = props.knobs.map((k) => [k.key, sentOf(k, drafts.value[k.key] ?? draftOf(k, null))] as const);
  return Object.fromEntries(sent.filter(([, state]) => state !== undefined));
});
const options = computed(() =>
  props.purpose === "move" && props.move
    ? [props.move.best, ...props.move.alternatives].filter((o): o is Option => o !== null)
    : [],
);
function use(option: Option | null) {
  drafts.value = Object.fromEntries(
    props.knobs.map((k) => [k.key, draftOf(k, option?.states[k.key] ?? k.state)]),
  );
}
const kept = props.knobs.length > 0 && props.knobs.every((k) => drafts.value[k.key]);
if (!kept) use(null);
const head = useTemplateRef<HTMLElement>("head");
onMounted(() => {
  head.value?.scrollIntoView({ block: "nearest" });
  const best = props.purpose === "move" ? props.move?.best : null;
  if (best && !kept) use(best);
  const first = props.knobs[0];
  if (props.seed && first) begin(first.key, props.seed);
});
function begin(key: string, digit: string) {
  const draft = drafts.value[key];
  if (!draft) return;
  const begun = draft.packs.length
    ? { ...draft, typed: [digit, ...draft.typed.slice(1)] }
    : { ...draft, text: digit };
  drafts.value = { ...drafts.value, [key]: begun };
}
const empty = computed(() =>
  props.knobs.filter((k) => isEmpty(k, putIn(drafts.value[k.key] ?? draftOf(k, null)))),
);
function forget() {
  drafts.value = {};
  remark.value = "";
}
function done() {
  drafts.value = Object.fromEntries(
    props.knobs.map((k) => [k.key, putIn(drafts.value[k.key] ?? draftOf(k, null))]),
  );
  if (empty.value.length && !asked.value) return void (sure.value = JSON.stringify(states.value));
  emit("done", states.value, remark.value, forget);
}
useKeys((event) => {
  if (event.key !== "d" || event.repeat) return false;
  done();
  return true;
});
function cancel() {
  forget();
  emit("cancel");
}
let turn = 0;
watch(states, async (now) => {
  const mine = ++turn;
  trouble.value = "";
  if (props.purpose === "as_found" || !Object.keys(now).length) return;
  try {
    const shown = await props.expect(now);
    if (mine === turn) told.value = shown;
  } catch (error) {
    told.value = null;
    trouble.value = error instanceof Error ? error.message : String(error);
  }
  if (mine === turn) emit("preview", told.value);
});
const same = (o: Option) => told.value !== null && o.label === told.value.option.label;
const heading = computed(
  () =>
    ({ as_found: "What is in as found", move: "What was really done", recount: "What was really in" })[
      props.purpose
    ],
);
</script>

<template>
  <section class="flex flex-col gap-2 border-t-2 pt-1" data-move-panel>
    <!-- At the head it stays in sight over any number of plates, and nothing that comes in below moves it. -->
    <div
      ref="head"
      class="sticky top-(--kept) z-1 flex max-md:scroll-mb-[40vh] flex-wrap items-center gap-3 bg-surface py-1"
    >
      <h2 class="min-w-[200px] flex-1 text-[20px] font-bold">{{ heading }}</h2>
      <button type="button" class="control control-main" data-done @click="done">
        {{ purpose === "move" ? `Done: open round ${round + 1}` : "Write it down" }}
        <span class="keycap">d</span>
      </button>
      <button type="button" class="control" @click="cancel">Not yet <span class="keycap">Esc</span></button>
    </div>
    <p v-if="asked && empty.length" role="alert" class="font-bold text-danger" data-empty-pack>
      {{ empty.map((k) => k.label).join(", ") }}: nothing is in. If really no shim is in, press it once more.
    </p>
    <div
      class="grid gap-x-6 gap-y-3"
      :class="options.length ? 'xl:grid-cols-[1.2fr_1fr] xl:grid-rows-[auto_1fr]' : ''"
    >
      <div v-if="options.length" class="flex flex-col gap-2">
        <button
          v-for="(o, i) in options"
          :key="o.label"
          type="button"
          class="control justify-start py-1 text-left leading-tight font-medium"
          :class="[same(o) ? 'control-main' : '', knobs.length > 1 ? 'flex-wrap gap-y-0' : '']"
          @click="use(o)"
        >
          <span
            class="shrink-0 text-[20px] font-bold"
            :class="knobs.length > 1 ? 'basis-full' : 'min-w-14'"
            >{{ o.label }}</span
          >
          <span class="min-w-0 flex-1 text-[16px]"
            >{{ i ? "" : "Proposed. " }}{{ o.expect }} {{ i ? `Why not: ${o.why}.` : `${o.why}.` }}</span
          >
        </button>
        <p v-if="move?.missing" class="text-[16px]">{{ move.missing }}</p>
      </div>
      <div
        class="flex flex-col gap-4"
        :class="options.length ? 'xl:col-start-2 xl:row-span-2 xl:row-start-1' : ''"
      >
        <template v-for="k in knobs" :key="k.key">
          <KnobEditor v-if="drafts[k.key]" v-model="drafts[k.key]!" :knob="k" :named="knobs.length > 1" />
        </template>
      </div>
      <!-- Its room is there before the answer: the field below does not move under the finger. -->
      <div v-if="purpose !== 'as_found'" class="min-h-[2lh] text-[18px]" aria-live="polite">
        <p v-if="told && purpose === 'move'" class="font-semibold" data-expect>
          {{ told.option.expect }} {{ told.option.why }}.
        </p>
        <p v-if="trouble" class="font-bold text-danger" data-trouble>{{ trouble }}</p>
      </div>
    </div>
    <label class="flex items-center gap-3"
      ><span class="shrink-0">Remark</span><input v-model="remark" class="field" maxlength="400"
    /></label>
  </section>
</template>
