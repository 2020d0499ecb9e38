<script setup lang="ts">
/** When the unit is promised back, and when it could be whole if hands had nothing else to do. */
import { at } from "../../api/rigAddress";
import { ref } from "vue";
import type { PlanView } from "../../api/client";
import type { PlanDesk } from "./usePlan";

const props = defineProps<{ view: PlanView; desk: PlanDesk }>();
const open = ref(false);
const day = ref("");
function begin() {
  day.value = props.view.due;
  open.value = true;
}
async function send() {
  if (await props.desk.write("due_back", { day: day.value.trim() })) open.value = false;
}
const when = (stamp: string) => `${stamp.slice(0, 10)}, ${stamp.slice(11, 16)}`;
</script>

<template>
  <section class="border-t-2 px-5 py-2 text-[16px]" aria-label="Promised back" data-due>
    <form v-if="open" class="flex flex-wrap items-end gap-2" @submit.prevent="send">
      <label class="flex-1"
        >Promised back<input
          v-model="day"
          class="field"
          name="due"
          placeholder="2026-11-30"
          required
          maxlength="10"
      /></label>
      <button type="submit" class="control px-3">Write it</button>
    </form>
    <button v-else type="button" class="min-h-11 text-left font-semibold underline" @click="begin">
      {{ view.due ? `Promised back ${view.due}` : "Say when it is promised back" }}
    </button>
    <p v-if="view.finish" class="text-secondary">
      Whole {{ when(view.finish) }}, if hands had nothing else to do.
      <a class="font-semibold underline" :href="at(`/api/jobs/${view.job.id}/plan.ics`)" download>Calendar</a>
    </p>
    <p v-if="view.waits_for.length" class="font-semibold wrap-anywhere">
      Waits for {{ view.waits_for.join(", ") }}{{ view.finish ? "" : ": no end yet" }}.
    </p>
  </section>
</template>
