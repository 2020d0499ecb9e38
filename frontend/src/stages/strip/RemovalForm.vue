<script setup lang="ts">
/** One part comes off: how, tag, side, which way, what stays with it, which bag. */
import { computed, ref } from "vue";
import type { PartView, StripView } from "../../api/client";
import type { StripDesk } from "./useStrip";
import PickBox from "../../ui/PickBox.vue";
import TickBox from "../../ui/TickBox.vue";
import LetGoPanel from "./LetGoPanel.vue";
import LockOutForm from "./LockOutForm.vue";
import { useKept } from "../../composables/useKept";

const props = defineProps<{ desk: StripDesk; part: PartView; view: StripView }>();
const emit = defineEmits<{ close: [] }>();
/** Only what is seen is written: nothing is filled in from the type, except that a single part is one. */
const left = Math.max(props.part.count - props.part.off, 1);
const draft = useKept(`off.${props.view.job.id}.${props.part.key}.${props.part.off}`, {
  way: "",
  count: (left === 1 ? 1 : "") as number | "",
  tag: "",
  side: "",
  orientation: "",
  mates: [] as string[],
  bag: "",
  remark: "",
  ticked: [] as string[],
}).value;
const fields: ["tag" | "side" | "orientation" | "bag" | "remark", string][] = [
  ["tag", "Tag on the part"],
  ["side", "Side"],
  ["orientation", "Which way round, as you see it"],
  ["bag", "Bag"],
  ["remark", "Remark"],
];
const ways = computed(() => props.view.ways.map((w) => [w.key, w.label] as const));
const mates = computed(() =>
  props.view.parts.filter((x) => x.key !== props.part.key).map((p) => [p.key, p.label] as const),
);
const lastBag = computed(() => props.view.removals.at(-1)?.bag ?? "");
const lockOut = computed(() => props.view.job.stands === "field" && !props.view.locked_out);
const way = computed(() => props.view.ways.find((w) => w.key === draft.way));
const lost = ref<{ key: string; ask: string; loss: string }[]>([]);
async function write(letGo: string[] = [], why = "") {
  const asked = way.value?.asks.map(([key]) => key) ?? [];
  const ticked = draft.ticked.filter((key) => asked.includes(key));
  const body = { ...draft, ticked, part: props.part.key };
  if (await props.desk.write({ kind: "removed", body, let_go: letGo, let_go_words: why })) emit("close");
  else {
    const details = props.desk.problem.value?.details as { lost?: typeof lost.value } | undefined;
    lost.value = details?.lost ?? [];
  }
}
const tick = (key: string, on: boolean) =>
  (draft.ticked = on ? [...draft.ticked, key] : draft.ticked.filter((k) => k !== key));
function back() {
  lost.value = [];
  props.desk.letGo();
}
</script>

<template>
  <LockOutForm v-if="lockOut" :desk="desk" />
  <LetGoPanel
    v-else-if="lost.length"
    :lost="lost"
    :part="part.label"
    @let-go="
      (why) =>
        write(
          lost.map((x) => x.key),
          why,
        )
    "
    @back="back"
  />
  <form v-else class="flex flex-col gap-3" data-removal @submit.prevent="write()">
    <div class="flex items-start justify-between gap-4">
      <h2 class="text-[26px] font-bold leading-tight">
        {{ part.label }}
        <span class="text-[18px] font-medium text-secondary">{{ part.number }}</span>
      </h2>
      <button type="button" class="control" @click="$emit('close')">Back</button>
    </div>
    <p v-if="part.words" class="text-[18px] font-semibold">{{ part.words }}</p>
    <div class="grid gap-3 md:grid-cols-3">
      <PickBox
        v-model="draft.way"
        class="md:col-span-2"
        name="way"
        label="How it comes off"
        :options="ways"
        required
      />
      <label
        >How many{{ left > 1 ? ` (the list says ${left})` : ""
        }}<input
          v-model.number="draft.count"
          class="field"
          name="count"
          type="number"
          min="1"
          max="500"
          required
      /></label>
      <label v-for="[key, words] in fields" :key="key"
        >{{ words }}<input v-model="draft[key]" class="field" :name="key" autocomplete="off"
      /></label>
      <PickBox v-model="draft.mates" name="mates" label="Keep with" :options="mates" empty="nothing" />
    </div>
    <p v-if="part.faces || lastBag" class="flex flex-wrap items-center gap-3">
      <template v-if="part.faces">
        <span
          >The type says: <strong>{{ part.faces }}</strong></span
        >
        <button type="button" class="control" data-as-type @click="draft.orientation = part.faces">
          I see it so
        </button>
      </template>
      <button v-if="lastBag" type="button" class="control" data-same-bag @click="draft.bag = lastBag">
        Bag {{ lastBag }} too
      </button>
    </p>
    <p v-if="way?.caution" class="border-l-4 border-danger pl-3 font-semibold">{{ way.caution }}</p>
    <fieldset v-if="way?.asks.length" class="border-l-4 border-danger pl-3" data-asks>
      <legend class="font-semibold">Before it is released</legend>
      <TickBox
        v-for="[key = '', words = ''] in way.asks"
        :key="key"
        :model-value="draft.ticked.includes(key)"
        :name="`tick-${key}`"
        :label="words"
        @update:model-value="(on: boolean) => tick(key, on)"
      />
    </fieldset>
    <p v-if="way?.dooms.length" class="border-l-4 border-danger pl-3">
      This way ends the life of
      {{
        way.dooms.includes("*")
          ? "whatever it is used on"
          : `a ${way.dooms.join(" or ").replaceAll("_", " ")}`
      }}.
    </p>
    <button type="submit" class="control control-main self-start">It is off</button>
  </form>
</template>
