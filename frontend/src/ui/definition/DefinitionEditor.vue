<script setup lang="ts">
/** A definition edited beside its section, which is drawn afresh after every change. */
import { keepPreviousData, useQuery } from "@tanstack/vue-query";
import { computed, ref, watch } from "vue";
import { api, unwrap } from "../../api/client";
import SectionMark from "../../marks/SectionMark.vue";
import { LEAVES, withValue, type Column, type Definition, type Leaf, type Row } from "./columns";
import TickBox from "../TickBox.vue";
import LeafRows from "./LeafRows.vue";

const definition = defineModel<Definition>({ required: true });
const leaf = ref<Leaf>("shafts");
const rows = (name: Leaf) => (definition.value[name] ?? []) as Row[];
const put = (next: Row[]) => (definition.value = { ...definition.value, [leaf.value]: next });
const asked = ref(JSON.stringify(definition.value));
let later: ReturnType<typeof setTimeout> | undefined;
watch(definition, (now) => {
  clearTimeout(later);
  later = setTimeout(() => (asked.value = JSON.stringify(now)), 250);
});
const { data } = useQuery({
  queryKey: computed(() => ["preview", asked.value]),
  queryFn: () =>
    unwrap(
      api.POST("/api/unit-types/previews", { body: { definition: JSON.parse(asked.value) as Definition } }),
    ),
  placeholderData: keepPreviousData,
});
const problems = computed(() => data.value?.problems ?? {});
const pairs = (list: Row[]): [string, string][] => list.map((r) => [String(r["key"]), String(r["label"])]);
const gears = () => rows("parts").filter((p) => Number(p["teeth"] ?? 0) > 0);
/** The parts of a step of which there are several, with how many. */
const several = (step: Row): [string, string][] =>
  rows("parts")
    .filter(
      (p) =>
        Number(p["count"] ?? 1) > 1 && (step["parts"] as string[] | undefined)?.includes(String(p["key"])),
    )
    .map((p) => [String(p["key"]), `${String(p["label"])} (of ${String(p["count"])})`]);
function options(column: Column, row: Row): [string, string][] {
  const from = column.options;
  if (from === "kinds") return (data.value?.kinds ?? []) as [string, string][];
  if (from === "setting_kinds") return (data.value?.setting_kinds ?? []) as [string, string][];
  if (from === "several") return several(row);
  if (from === "joined") return [...pairs(gears()), ...pairs(rows("shafts")), ...pairs(rows("meshes"))];
  if (from === "spots") return [...pairs(rows("parts")), ...pairs(rows("meshes"))];
  return typeof from === "string" ? pairs(rows(from)) : (from ?? []);
}
const fresh = computed(() => LEAVES.find(([key]) => key === leaf.value)?.[2] ?? "");
defineExpose({ problems });
</script>

<template>
  <div class="grid lg:grid-cols-[1fr_520px]" data-editor>
    <section class="overflow-x-auto bg-bay lg:sticky lg:top-0 lg:self-start">
      <SectionMark v-if="data" :scene="data.section" />
      <ul v-if="Object.keys(problems).length" class="px-5 pb-4" role="status" data-problems>
        <li v-for="(why, path) in problems" :key="path" class="font-semibold text-danger">
          {{ path }} {{ why }}
        </li>
      </ul>
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
    </section>
    <section class="border-l-2 px-5 py-3 max-lg:border-l-0 max-lg:border-t-2">
      <nav class="mb-2 flex flex-wrap gap-2" aria-label="Parts of the definition">
        <button
          v-for="[key, words] in LEAVES"
          :key="key"
          type="button"
          class="control"
          :class="leaf === key ? 'control-main' : ''"
          :aria-pressed="leaf === key"
          :data-leaf="key"
          @click="leaf = key"
        >
          {{ words }} {{ rows(key).length }}
        </button>
      </nav>
      <TickBox
        v-if="leaf === 'prove'"
        :model-value="definition['second_person'] === true"
        name="second-person"
        label="Two people release it"
        @update:model-value="(on: boolean) => (definition = { ...definition, second_person: on })"
      />
      <p class="mb-1 text-secondary">
        {{
          leaf === "parts"
            ? "In the order in which they sit on their shaft, from the left or from the top."
            : leaf === "settings"
              ? "Limits by serial and by new or worn parts; the job takes the row that fits."
              : ""
        }}
      </p>
      <LeafRows
        :model-value="rows(leaf)"
        :leaf="leaf"
        :fresh="fresh"
        :problems="problems"
        :known="data?.known ?? {}"
        :options="options"
        @update:model-value="put"
      />
    </section>
  </div>
</template>
