<script setup lang="ts">
/** One baseline written down: which form it takes follows from what is to be found. */
import { computed } from "vue";
import { RouterLink } from "vue-router";
import type { BaselineView, StripView } from "../../api/client";
import type { StripDesk } from "./useStrip";
import DistanceForm from "./DistanceForm.vue";
import PackForm from "./PackForm.vue";
import WitnessForm from "./WitnessForm.vue";
import WordsForm from "./WordsForm.vue";

const props = defineProps<{ desk: StripDesk; item: BaselineView; job: StripView["job"] }>();
const emit = defineEmits<{ close: [] }>();
const supersedes = computed(() => props.item.fact || undefined);
const few = computed(() => {
  const names = props.item.ended_by;
  return names.length > 5 ? `${names.slice(0, 4).join(", ")} or ${names.length - 4} more` : names.join(", ");
});
const form = computed(
  () =>
    ({
      pack: PackForm,
      witness: WitnessForm,
      checking_distance: DistanceForm,
      match_marks: WordsForm,
      way_round: WordsForm,
    })[props.item.kind],
);
async function write(body: Record<string, unknown>) {
  const fact = { kind: props.item.kind, body, ...(supersedes.value ? { supersedes: supersedes.value } : {}) };
  if (await props.desk.write(fact)) emit("close");
}
</script>

<template>
  <div class="flex flex-col gap-4" data-found-form>
    <div class="flex items-start justify-between gap-4">
      <h2 class="text-[26px] font-bold leading-tight">{{ item.ask }}</h2>
      <button type="button" class="control" @click="$emit('close')">Back</button>
    </div>
    <p v-if="item.ended_by.length" class="max-w-[760px] text-[16px]">
      Ends when one of these comes off: {{ few }}. Then {{ item.loss }} can no longer be had.
    </p>
    <p v-if="item.words" class="border-l-4 pl-3">Now: {{ item.words }}</p>
    <template v-if="item.kind === 'reading'">
      <p class="text-[18px]">
        {{
          item.state === "taken"
            ? "Readings are there."
            : "The same stations as in Set; the first round is as found."
        }}
      </p>
      <RouterLink :to="`/jobs/${job.id}/set/${item.setting_id}`" class="control control-main self-start"
        >Read it</RouterLink
      >
    </template>
    <component :is="form" v-else :item="item" :job="job" @write="write" />
  </div>
</template>
