<script setup lang="ts">
/** Folds of a lock washer, counted: a tab is folded once. */
import { reactive } from "vue";
import type { InspectPart } from "../../api/client";
import type { InspectDesk } from "./useInspect";
import { typedNumber } from "../../ui/typedNumber";

const props = defineProps<{ desk: InspectDesk; part: InspectPart }>();
const text = (n: number | null) => (n === null ? "" : String(n));
const counted = reactive({ folds: text(props.part.folds), fresh: text(props.part.fresh) });
const keep = () =>
  props.desk.write("graded", {
    part: props.part.key,
    grades: {},
    folds: typedNumber(counted.folds, null),
    fresh: typedNumber(counted.fresh, null),
  });
</script>

<template>
  <form class="flex flex-wrap items-end gap-3 border-t-2 px-5 py-3" data-folds @submit.prevent="keep">
    <label class="w-[240px]"
      >Folds on its most bent tab<input
        v-model="counted.folds"
        class="field"
        name="folds"
        inputmode="numeric"
        pattern="[0-9]*"
    /></label>
    <label class="w-[240px]"
      >Tabs never folded<input
        v-model="counted.fresh"
        class="field"
        name="fresh"
        inputmode="numeric"
        pattern="[0-9]*"
    /></label>
    <button type="submit" class="control">Counted</button>
  </form>
</template>
