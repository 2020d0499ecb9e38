<script setup lang="ts">
/** One part large: what is looked for, the verdict of both schools, fits, teeth, seal, order. */
import { computed, ref } from "vue";
import type { InspectPart, InspectView } from "../../api/client";
import type { InspectDesk } from "./useInspect";
import FitList from "./FitList.vue";
import FoldsForm from "./FoldsForm.vue";
import LookGrader from "./LookGrader.vue";
import OrderForm from "./OrderForm.vue";
import SealForm from "./SealForm.vue";
import TeethPane from "./TeethPane.vue";
import VerdictBlock from "./VerdictBlock.vue";

const props = defineProps<{ desk: InspectDesk; view: InspectView; part: InspectPart }>();
defineEmits<{ next: [] }>();
const flags = computed(() =>
  [
    props.part.count > 1 ? `× ${props.part.count}` : "",
    props.part.safety ? "can hurt someone" : "",
    props.part.scarce ? "hard to get" : "",
    props.part.single_use ? "single use" : "",
    props.part.off ? "" : "still on",
  ].filter(Boolean),
);
const must = computed(() => ["replace", "send_out"].includes(props.part.chosen) && !props.part.order);
const note = ref("");
async function keepNote() {
  if (await props.desk.write("graded", { part: props.part.key, grades: {}, note: note.value }))
    note.value = "";
}
async function chosen(event: Event) {
  const input = event.target as HTMLInputElement;
  for (const file of input.files ?? []) await props.desk.photo(file, props.part.key);
  input.value = "";
}
</script>

<template>
  <section class="min-w-0 bg-bay" data-part-pane>
    <header class="flex flex-wrap items-baseline gap-x-4 px-5 pt-3">
      <h2 class="text-[26px] font-bold leading-tight">{{ part.label }}</h2>
      <span class="text-[17px] text-secondary">{{ part.kind_label }} {{ part.number }}</span>
      <span v-for="f in flags" :key="f" class="text-[17px] font-bold">{{ f }}</span>
    </header>
    <LookGrader :desk="desk" :part="part" :grades="view.grades" />
    <VerdictBlock :desk="desk" :part="part" @next="$emit('next')" />
    <OrderForm v-if="must" :desk="desk" :part="part" />
    <FitList :desk="desk" :part="part" :view="view" />
    <TeethPane v-if="part.teeth" :desk="desk" :part="part.key" :teeth="part.teeth" :damages="view.damages" />
    <FoldsForm v-if="part.folds_asked" :desk="desk" :part="part" />
    <SealForm v-if="part.seal_asked" :desk="desk" :part="part" :unit="view.job.length_unit" />
    <form class="flex flex-wrap items-end gap-3 border-t-2 px-5 py-3" @submit.prevent="keepNote">
      <label class="min-w-[200px] flex-1"
        >Note<input v-model="note" class="field" name="note" maxlength="500" required
      /></label>
      <button type="submit" class="control">Write it down</button>
      <label class="control"
        >Photo {{ part.photos ? `(${part.photos})` : ""
        }}<input
          type="file"
          accept="image/png,image/jpeg,image/webp"
          class="sr-only"
          data-photo
          @change="chosen"
      /></label>
      <p v-for="n in part.notes" :key="n" class="w-full">{{ n }}</p>
    </form>
  </section>
</template>
