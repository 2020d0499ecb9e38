<script setup lang="ts">
/** What is said of the unit as a whole: how its housing parts, what releases it, its cautions. */
import { computed } from "vue";
import type { KindChoice } from "../../api/client";
import PickBox from "../PickBox.vue";
import TickBox from "../TickBox.vue";
import type { Definition } from "./columns";
import { labelOf, rowsOf } from "./rows";

const definition = defineModel<Definition>({ required: true });
const props = defineProps<{ kinds: KindChoice[] }>();
const isBearing = computed(
  () => new Set(props.kinds.filter((k) => k.family === "Bearings").map((k) => k.key)),
);
const put = (field: string, value: string | string[] | boolean) =>
  (definition.value = { ...definition.value, [field]: value });
const bearings = computed(() =>
  rowsOf(definition.value, "parts")
    .filter((p) => p["shaft"] && isBearing.value.has(String(p["kind"])))
    .map((p) => [String(p["key"]), labelOf(p)] as [string, string]),
);
const lines = (field: "cautions") => ((definition.value[field] ?? []) as string[]).join("\n");
const typed = (event: Event) => (event.target as HTMLTextAreaElement).value;
</script>

<template>
  <div class="flex flex-col gap-3" data-unit-fields>
    <PickBox
      :model-value="String(definition.split ?? '')"
      name="split"
      label="The housing parts"
      :options="[
        ['', 'nowhere, or it does not matter'],
        ['along', 'along its level shafts'],
        ['across', 'across them'],
      ]"
      @update:model-value="(v: string) => put('split', v)"
    />
    <PickBox
      :model-value="(definition.plate ?? []) as string[]"
      name="plate"
      label="Bearings in an intermediate plate"
      empty="none"
      :options="bearings"
      @update:model-value="(v: string[]) => put('plate', v)"
    />
    <TickBox
      :model-value="definition.second_person === true"
      name="second-person"
      label="Two people release it"
      @update:model-value="(on: boolean) => put('second_person', on)"
    />
    <label
      >Cautions, one to a line
      <textarea
        class="field py-2"
        rows="3"
        name="cautions"
        :value="lines('cautions')"
        @change="
          put(
            'cautions',
            typed($event)
              .split('\n')
              .filter((x) => x.trim()),
          )
        "
      ></textarea>
    </label>
    <label
      >Notes
      <textarea
        class="field py-2"
        rows="2"
        name="notes"
        :value="String(definition.notes ?? '')"
        @input="put('notes', typed($event))"
      ></textarea>
    </label>
  </div>
</template>
