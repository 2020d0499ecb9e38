<script setup lang="ts">
/** The mark on a pinion: a whole checking distance or a deviation. Unit and sense are always asked. */
import { reactive } from "vue";
import type { BaselineView, StripView } from "../../api/client";
import RadioRow from "../../ui/RadioRow.vue";
import TickBox from "../../ui/TickBox.vue";
import { useKept } from "../../composables/useKept";

const props = defineProps<{ item: BaselineView; job: StripView["job"] }>();
const emit = defineEmits<{ write: [body: Record<string, unknown>] }>();
const draft = useKept(`found.${props.job.id}.${props.item.key}.${props.item.fact}`, {
  typed: "",
  unit: props.job.length_unit as string,
  convention: "",
}).value;
const none = reactive({ there: false });
const UNITS = [
  ["mm", "mm"],
  ["thou", "thou"],
] as const;
const SENSES = [
  ["distance", "the whole checking distance"],
  ["plus is farther from the gear", "a deviation: plus is farther from the gear"],
  ["plus is nearer to the gear", "a deviation: plus is nearer to the gear"],
  ["not known", "a deviation, sense not known"],
] as const;
const write = () => emit("write", { mesh: props.item.subject, ...(none.there ? { none: true } : draft) });
</script>

<template>
  <form class="flex max-w-[760px] flex-col gap-4" @submit.prevent="write">
    <template v-if="!none.there">
      <label
        >As marked<input
          v-model="draft.typed"
          class="field text-[24px] font-bold"
          name="typed"
          required
          autofocus
      /></label>
      <RadioRow v-model="draft.unit" name="unit" label="Its unit" :options="UNITS" />
      <RadioRow
        v-model="draft.convention"
        name="convention"
        label="What it means"
        :options="SENSES"
        stacked
      />
    </template>
    <TickBox v-model="none.there" name="none" label="None there: no mark on the pinion" />
    <button
      type="submit"
      class="control control-main self-start"
      :disabled="!none.there && !draft.convention"
    >
      Write it down
    </button>
  </form>
</template>
