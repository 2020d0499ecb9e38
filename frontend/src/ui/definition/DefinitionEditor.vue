<script setup lang="ts">
/** A definition built on its drawing: what is tapped is in hand, and what is in hand is edited beside it. */
import { computed, ref, toRef, watch } from "vue";
import type { Trouble } from "../../api/client";
import { useKeys } from "../../composables/useKeys";
import { useSending } from "../../composables/useSending";
import SectionMark from "../../marks/SectionMark.vue";
import SectionTouch from "../../marks/SectionTouch.vue";
import KeyHelp from "../KeyHelp.vue";
import SendingProblem from "../SendingProblem.vue";
import { COLUMNS, withValue, type Definition, type Leaf } from "./columns";
import EmptyHand from "./EmptyHand.vue";
import HandPanel from "./HandPanel.vue";
import { findRow, labelOf, rowsOf } from "./rows";
import TroubleList from "./TroubleList.vue";
import { useActs } from "./useActs";
import { useChoices } from "./useChoices";
import { useHand } from "./useHand";
import { usePreview } from "./usePreview";
import { useUndo } from "./useUndo";

const definition = defineModel<Definition>({ required: true });
const hand = useHand(definition);
const sending = useSending();
const acts = useActs(definition, hand, sending);
const { past, undo } = useUndo(definition);
const { data, troubles, problems } = usePreview(definition);
const choices = useChoices(definition, toRef(data));
const panel = ref<InstanceType<typeof HandPanel> | null>(null);
const help = ref(false);
const shaftOf = computed(() =>
  Object.fromEntries(
    rowsOf(definition.value, "parts")
      .filter((p) => p["shaft"])
      .map((p) => [String(p["key"]), String(p["shaft"])]),
  ),
);
const column = computed(() =>
  hand.held.value ? COLUMNS[hand.held.value.leaf].find((c) => c.key === hand.picking.value) : undefined,
);
const picked = (key: string) =>
  acts.pickPart(
    key,
    column.value,
    column.value && hand.row.value ? choices.options(column.value, hand.row.value) : [],
  );
const pickingSays = computed(() => {
  const wrong = findRow(definition.value, "parts", hand.refused.value);
  return wrong
    ? `“${labelOf(wrong)}” cannot be chosen there: tap another; Esc ends`
    : "Tap on the drawing; Esc ends";
});
/** Where shafts or meshes are asked for, a part stands for its shaft, a gear for its mesh. */
function standsFor(part: string): string {
  const asked = column.value?.options;
  if (asked === "shafts" || asked === "other_shafts") return shaftOf.value[part] ?? part;
  const meets = rowsOf(definition.value, "meshes").find((m) => m["driver"] === part || m["driven"] === part);
  return asked === "meshes" && meets ? String(meets["key"]) : part;
}
function part(key: string) {
  if (!picked(standsFor(key))) hand.take("parts", key);
}
function shaft(key: string) {
  if (!picked(key)) hand.take("shafts", key);
}
function place(key: string) {
  if (column.value?.options !== "places" || !picked(key)) hand.take("places", key);
}
/** The parts that the row in hand is about. */
const inHand = computed(() => {
  const { held, row } = hand;
  if (!held.value || held.value.leaf === "shafts") return {};
  if (held.value.leaf === "parts") return { [held.value.key]: "hand" };
  const named = Object.values(row.value ?? {}).flatMap((v) => (Array.isArray(v) ? v : [v]));
  return Object.fromEntries(named.filter((k) => String(k) in shaftOf.value).map((k) => [String(k), "hand"]));
});
function go(t: Trouble) {
  const row = rowsOf(definition.value, t.leaf as Leaf)[t.row];
  if (row) hand.take(t.leaf as Leaf, String(row["key"]));
}
/** Only a drawing with something on it takes the place of the last. */
const drawn = ref(data.value?.section);
watch(
  () => data.value?.section,
  (section) => {
    if (section && (section.shapes.length || !rowsOf(definition.value, "shafts").length))
      drawn.value = section;
  },
  { immediate: true },
);
const HELP: [string, string][] = [
  ["← →", "The part before or behind, on the same shaft"],
  ["↑ ↓", "The shaft before or behind"],
  ["shift ← →", "Moves the part in hand along its shaft"],
  ["Enter", "The next part: its name, then Enter again"],
  ["Delete", "Takes out what is in hand"],
  ["m", "Copies the shaft in hand mirrored"],
  ["n", "A new shaft"],
  ["u", "Undoes the last change"],
  ["Esc", "Lets go"],
];
useKeys((event) => {
  const on = hand.held.value?.leaf === "parts" || hand.held.value?.leaf === "shafts";
  if (event.key === "ArrowLeft" || event.key === "ArrowRight") {
    const by = event.key === "ArrowLeft" ? -1 : 1;
    if (event.shiftKey && hand.part.value) acts.moveAlong(by);
    else hand.step(by);
  } else if (event.key === "ArrowUp") hand.stepShaft(-1);
  else if (event.key === "ArrowDown") hand.stepShaft(1);
  else if (event.key === "Enter" && on) panel.value?.focusNext();
  else if (event.key === "Delete" && hand.row.value) void acts.edit("take_out");
  else if (event.key === "m" && hand.held.value?.leaf === "shafts") void acts.edit("mirror");
  else if (event.key === "n") acts.add("shafts");
  else if (event.key === "u") undo();
  else if (event.key === "?") help.value = true;
  else if (event.key === "Escape") {
    if (document.activeElement instanceof HTMLElement && document.activeElement.closest("input, textarea"))
      document.activeElement.blur();
    else hand.letGo();
  } else return false;
  return true;
});
</script>

<template>
  <div
    class="bg-bay max-lg:flex max-lg:flex-col lg:grid lg:grid-cols-[1fr_440px] xl:grid-cols-[1fr_480px]"
    data-editor
  >
    <section
      class="min-w-0 max-lg:contents lg:sticky lg:top-(--kept) lg:max-h-[calc(100vh-var(--kept))] lg:self-start lg:overflow-y-auto"
    >
      <div
        class="relative bg-bay max-lg:sticky max-lg:top-(--kept) max-lg:z-10 max-lg:max-h-[54vh] max-lg:overflow-y-auto max-lg:border-b-2"
        data-drawing
      >
        <div class="flex flex-wrap items-center gap-2 px-5 pt-3">
          <button type="button" class="control" data-new-shaft @click="acts.add('shafts')">
            New shaft <span class="keycap">n</span>
          </button>
          <button type="button" class="control" :disabled="!past.length" data-undo @click="undo">
            Undo <span class="keycap">u</span>
          </button>
          <button type="button" class="control" data-whole @click="hand.held.value = null">
            The whole unit
          </button>
          <button type="button" class="control" data-help @click="help = true">
            Keys <span class="keycap">?</span>
          </button>
          <p
            v-if="hand.picking.value"
            class="mark absolute left-6 top-[68px] z-10 font-semibold"
            role="status"
            data-picking
          >
            {{ pickingSays }}
          </p>
        </div>
        <SectionMark
          v-if="drawn"
          :scene="drawn"
          :here="hand.held.value?.leaf === 'places' ? hand.held.value.key : null"
          :states="inHand"
          @pick="place"
        >
          <SectionTouch
            :scene="drawn"
            :part="hand.part.value"
            :shaft="hand.shaft.value"
            :shaft-of="shaftOf"
            @part="part"
            @shaft="shaft"
            @drop="acts.drop"
          />
        </SectionMark>
      </div>
      <div class="max-lg:order-last">
        <p v-for="words in data?.train ?? []" :key="words" class="px-5 pb-1" data-train-words>{{ words }}</p>
        <TroubleList :troubles="troubles" @go="go" />
        <div
          v-for="q in data?.questions ?? []"
          :key="q.path"
          class="border-t-2 border-danger px-5 py-3"
          data-question
        >
          <p class="text-[18px] font-bold">{{ q.words }}</p>
          <div class="mt-2 flex flex-wrap gap-3">
            <button
              v-for="[answer, words] in q.options"
              :key="answer"
              type="button"
              class="control"
              :data-answer="answer"
              @click="definition = withValue(definition, q.path, answer ?? ``)"
            >
              {{ words }}
            </button>
          </div>
        </div>
      </div>
    </section>
    <div class="border-l-2 bg-surface max-lg:border-l-0 max-lg:border-t-2">
      <SendingProblem :sending="sending" />
      <HandPanel
        ref="panel"
        v-model="definition"
        :hand="hand"
        :acts="acts"
        :choices="choices"
        :troubles="troubles"
        :problems="problems"
        :known="data?.known ?? {}"
      >
        <EmptyHand v-model="definition" :hand="hand" :acts="acts" :choices="choices" />
      </HandPanel>
    </div>
    <KeyHelp :open="help" title="Keys on the drawing" :rows="HELP" @close="help = false" />
  </div>
</template>
