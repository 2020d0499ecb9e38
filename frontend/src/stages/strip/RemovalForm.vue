<script setup lang="ts">
/** One part comes off: how, tag, side, which way, what stays with it, which bag. */
import { computed, reactive, ref } from "vue";
import type { PartView, StripView } from "../../api/client";
import type { StripDesk } from "./useStrip";
import LetGoPanel from "./LetGoPanel.vue";

const props = defineProps<{ desk: StripDesk; part: PartView; view: StripView }>();
const emit = defineEmits<{ close: [] }>();
const left = Math.max(props.part.count - props.part.off, 1);
const draft = reactive({
  way: "hand",
  count: left,
  tag: "",
  side: "",
  orientation: props.part.faces,
  mates: [] as string[],
  bag: props.view.removals.at(-1)?.bag ?? "",
  remark: "",
});
const fields: ["tag" | "side" | "orientation" | "bag" | "remark", string][] = [
  ["tag", "Tag on the part"],
  ["side", "Side"],
  ["orientation", "Which way round"],
  ["bag", "Bag"],
  ["remark", "Remark"],
];
const way = computed(() => props.view.ways.find((w) => w.key === draft.way));
const lost = ref<{ key: string; ask: string; loss: string }[]>([]);
async function write(letGo: string[] = [], why = "") {
  const body = { ...draft, part: props.part.key };
  if (await props.desk.write({ kind: "removed", body, let_go: letGo, let_go_words: why })) emit("close");
  else {
    const details = props.desk.problem.value?.details as { lost?: typeof lost.value } | undefined;
    lost.value = details?.lost ?? [];
  }
}
function back() {
  lost.value = [];
  props.desk.letGo();
}
</script>

<template>
  <LetGoPanel
    v-if="lost.length"
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
      <label class="md:col-span-2"
        >How it comes off<select v-model="draft.way" class="field" name="way">
          <option v-for="w in view.ways" :key="w.key" :value="w.key">{{ w.label }}</option>
        </select></label
      >
      <label
        >How many<input
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
      <label
        >Keep with<select v-model="draft.mates" class="field min-h-[96px] py-1" name="mates" multiple>
          <option v-for="p in view.parts.filter((x) => x.key !== part.key)" :key="p.key" :value="p.key">
            {{ p.label }}
          </option>
        </select></label
      >
    </div>
    <p v-if="way?.caution" class="border-l-4 border-danger pl-3 font-semibold">{{ way.caution }}</p>
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
