<script setup lang="ts">
/** The fields of one row, by its columns: those that are asked at once, the rest behind *More*. */
import { computed, ref } from "vue";
import CellField from "./CellField.vue";
import type { Cell, Column, Row } from "./columns";
import type { Choices } from "./useChoices";

const row = defineModel<Row>({ required: true });
const props = defineProps<{
  columns: Column[];
  path: string;
  problems: Record<string, string>;
  choices: Pick<Choices, "options" | "shows">;
  /** The field that is tapped on the drawing now. */
  picking?: string | null;
}>();
defineEmits<{ pick: [field: string] }>();
const more = ref(false);
const split = computed(() => props.columns.some((c) => c.first));
const shown = computed(() => props.columns.filter((c) => props.choices.shows(c, row.value)));
const first = computed(() => shown.value.filter((c) => !split.value || c.first || c.key === "label"));
const rest = computed(() => shown.value.filter((c) => !first.value.includes(c)));
const wrongBehind = computed(() => rest.value.some((c) => props.problems[`${props.path}.${c.key}`]));
const now = computed(() => (more.value || wrongBehind.value ? shown.value : first.value));
const DRAWN = [
  "parts",
  "spots",
  "gears",
  "shafts",
  "other_shafts",
  "own_parts",
  "carriers",
  "joined",
  "places",
  "meshes",
];
const onDrawing = (c: Column) =>
  (c.kind === "choice" || c.kind === "many") && typeof c.options === "string" && DRAWN.includes(c.options);
const put = (key: string, value: Cell) => (row.value = { ...row.value, [key]: value });
</script>

<template>
  <div class="grid gap-x-4 gap-y-2 sm:grid-cols-2">
    <div v-for="c in now" :key="c.key" class="min-w-0" :class="c.key === 'label' ? 'sm:col-span-2' : ''">
      <CellField
        :model-value="row[c.key]"
        :column="c"
        :name="c.key"
        :options="choices.options(c, row)"
        :problem="problems[`${path}.${c.key}`]"
        @update:model-value="(v) => put(c.key, v)"
      />
      <button
        v-if="picking !== undefined && onDrawing(c)"
        type="button"
        class="mt-1 min-h-11 cursor-pointer text-[15px] font-semibold underline"
        :class="picking === c.key ? 'mark' : ''"
        :aria-pressed="picking === c.key"
        :data-on-drawing="c.key"
        @click="$emit('pick', c.key)"
      >
        {{ picking === c.key ? "Tap it on the drawing; Esc ends" : "Tap on the drawing" }}
      </button>
    </div>
    <button
      v-if="rest.length && !wrongBehind"
      type="button"
      class="control sm:col-span-2"
      :aria-expanded="more"
      data-more
      @click="more = !more"
    >
      {{ more ? "Less" : "More about it" }}
    </button>
  </div>
</template>
