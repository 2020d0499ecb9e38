<script setup lang="ts">
/** Writes down what was really done: the proposal, its rivals, or the mechanic's own choice. */
import { computed, onMounted, ref, watch } from "vue";
import type { DrawerLot, Expectation, Move, Option, SettingView } from "../api/client";
import PlatePicker from "./PlatePicker.vue";

type Knob = SettingView["knobs"][number];
const props = defineProps<{
  knob: Knob;
  drawer: DrawerLot[];
  move: Move | null;
  purpose: "as_found" | "move" | "recount";
  round: number;
  expect: (state: unknown) => Promise<Expectation>;
}>();
const emit = defineEmits<{
  done: [state: unknown, remark: string];
  cancel: [];
  preview: [shown: Expectation | null];
}>();
const isPack = computed(() => props.knob.domain.type === "packs");
const fromNm = (state: unknown) => (Array.isArray(state) ? state.map((nm) => Number(nm) / 1e6) : []);
const plates = ref<number[]>([]);
const position = ref("");
const extra = ref<string[]>([]);
const remark = ref("");
const told = ref<Expectation | null>(null);
const trouble = ref("");
const state = computed(() => (isPack.value ? [...plates.value, ...extra.value] : position.value));
const options = computed(() =>
  props.purpose === "move" && props.move
    ? [props.move.best, ...props.move.alternatives].filter((o): o is Option => o !== null)
    : [],
);
function use(option: Option) {
  if (Array.isArray(option.state)) plates.value = fromNm(option.state);
  else position.value = option.label;
  extra.value = [];
}
onMounted(() => {
  const best = props.purpose === "move" ? props.move?.best : null;
  if (best) use(best);
  else plates.value = fromNm(props.knob.state);
});
let asked = 0;
watch(
  state,
  async (now) => {
    const mine = ++asked;
    trouble.value = "";
    if (props.purpose === "as_found" || (!isPack.value && !position.value)) return;
    try {
      const shown = await props.expect(now);
      if (mine === asked) told.value = shown;
    } catch (error) {
      told.value = null;
      trouble.value = error instanceof Error ? error.message : String(error);
    }
    if (mine === asked) emit("preview", told.value);
  },
  { deep: true },
);
const same = (o: Option) => told.value !== null && o.label === told.value.option.label;
const heading = computed(
  () =>
    ({ as_found: "What is in as found", move: "What was really done", recount: "What was really in" })[
      props.purpose
    ],
);
</script>

<template>
  <section class="flex flex-col gap-3 border-t-2 pt-2" data-move-panel>
    <h2 class="text-[20px] font-bold">{{ heading }}</h2>
    <div class="grid gap-x-6 gap-y-3" :class="options.length ? 'xl:grid-cols-[1fr_1.1fr]' : ''">
      <div v-if="options.length" class="flex flex-col gap-2">
        <button
          v-for="(o, i) in options"
          :key="o.label"
          type="button"
          class="control justify-start py-1 text-left leading-tight font-medium"
          :class="same(o) ? 'control-main' : ''"
          @click="use(o)"
        >
          <span class="w-14 shrink-0 text-[20px] font-bold">{{ o.label }}</span>
          <span class="min-w-0 flex-1 text-[16px]"
            >{{ i ? "" : "Proposed. " }}{{ o.expect }} {{ i ? `Why not: ${o.why}.` : `${o.why}.` }}</span
          >
        </button>
        <p v-if="move?.missing" class="text-[16px]">{{ move.missing }}</p>
      </div>
      <PlatePicker
        v-if="isPack"
        v-model="plates"
        :drawer="drawer"
        @typed="(t) => (extra = [...extra, ...t])"
      />
      <label v-else class="flex items-center gap-3"
        ><span class="shrink-0">{{ knob.label }} is now</span
        ><input v-model="position" class="field max-w-[220px]" inputmode="decimal" data-position
      /></label>
    </div>
    <p v-if="extra.length">
      and typed: {{ extra.join(" + ") }}
      <button type="button" class="underline" @click="extra = []">strike</button>
    </p>
    <p v-if="told && purpose === 'move'" class="text-[18px] font-semibold" aria-live="polite" data-expect>
      {{ told.option.expect }} {{ told.option.why }}.
    </p>
    <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
    <div class="sticky bottom-0 flex flex-wrap items-center gap-3 border-t-2 border-row bg-surface py-2">
      <label class="flex min-w-[200px] flex-1 items-center gap-3"
        ><span class="shrink-0">Remark</span><input v-model="remark" class="field" maxlength="400"
      /></label>
      <button type="button" class="control control-main" data-done @click="emit('done', state, remark)">
        {{ purpose === "move" ? `Done: open round ${round + 1}` : "Write it down" }}
      </button>
      <button type="button" class="control" @click="emit('cancel')">
        Not yet <span class="keycap">Esc</span>
      </button>
    </div>
  </section>
</template>
