<script setup lang="ts">
/** The contact witness as it was: painted on drive and coast, with how the pair ran. */
import { ref } from "vue";
import type { BaselineView } from "../../api/client";
import FlankPainter from "../../marks/FlankPainter.vue";
import { bareFlank } from "../../marks/flankShape";

const props = defineProps<{ item: BaselineView }>();
const emit = defineEmits<{ write: [body: Record<string, unknown>] }>();
const drive = ref(bareFlank());
const coast = ref(bareFlank());
const ran = ref("");
const remark = ref("");
const answers = ["well", "badly", "cannot tell"];
</script>

<template>
  <form
    class="flex flex-col gap-3"
    @submit.prevent="emit('write', { mesh: props.item.subject, drive, coast, ran, remark })"
  >
    <div class="grid gap-5 xl:grid-cols-2">
      <FlankPainter v-model="drive" label="Drive side" data-side="drive" />
      <FlankPainter v-model="coast" label="Coast side" data-side="coast" />
    </div>
    <fieldset class="flex flex-wrap items-center gap-3">
      <legend class="zone-head">By these marks it ran</legend>
      <label v-for="a in answers" :key="a" class="control"
        ><input v-model="ran" type="radio" name="ran" :value="a" required /> {{ a }}</label
      >
      <input
        v-model="remark"
        class="field max-w-[360px]"
        name="remark"
        aria-label="Remark"
        placeholder="polish, edge load, pits"
      />
      <button type="submit" class="control control-main">Write it down</button>
    </fieldset>
  </form>
</template>
