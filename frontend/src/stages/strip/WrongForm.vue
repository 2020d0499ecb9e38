<script setup lang="ts">
/** What was missing or already wrong before anyone touched it. */
import { reactive } from "vue";
import type { StripView } from "../../api/client";
import type { StripDesk } from "./useStrip";
import PartChoice from "./PartChoice.vue";
import PickBox from "../../ui/PickBox.vue";

const WHAT = [
  ["wrong", "wrong"],
  ["missing", "missing"],
] as const;
const props = defineProps<{ desk: StripDesk; view: StripView }>();
const draft = reactive({ what: "wrong", words: "", part: "" });
async function write() {
  if (await props.desk.write({ kind: "wrong", body: { ...draft } })) draft.words = "";
}
</script>

<template>
  <section class="mt-4 border-t-2 pt-3" data-wrong>
    <h2 class="zone-head">Missing, or already wrong</h2>
    <ul>
      <li v-for="n in view.notes" :key="n.id" class="flex items-center gap-3 border-b-2 border-row py-1">
        <span class="flex-1"
          ><strong>{{ n.what }}</strong
          >: {{ n.words }} <span class="text-secondary">{{ n.by }}</span></span
        >
        <button
          type="button"
          class="control"
          @click="desk.write({ kind: 'wrong', supersedes: n.id, void: true })"
        >
          Strike
        </button>
      </li>
    </ul>
    <form class="mt-2 flex flex-wrap items-end gap-3" @submit.prevent="write">
      <PickBox v-model="draft.what" class="w-[150px]" name="what" label="It was" :options="WHAT" />
      <label class="min-w-[220px] flex-1"
        >What<input v-model="draft.words" class="field" name="wrong-words" required
      /></label>
      <PartChoice v-model="draft.part" :parts="view.parts" label="Part" optional />
      <button type="submit" class="control">Write it down</button>
    </form>
  </section>
</template>
