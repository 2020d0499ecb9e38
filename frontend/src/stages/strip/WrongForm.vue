<script setup lang="ts">
/** What was missing or already wrong before anyone touched it. */
import { reactive } from "vue";
import type { StripView } from "../../api/client";
import type { StripDesk } from "./useStrip";
import PartChoice from "./PartChoice.vue";

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
      <label class="w-[140px]"
        >It was<select v-model="draft.what" class="field" name="what">
          <option value="wrong">wrong</option>
          <option value="missing">missing</option>
        </select></label
      >
      <label class="min-w-[220px] flex-1"
        >What<input v-model="draft.words" class="field" name="wrong-words" required
      /></label>
      <PartChoice v-model="draft.part" :parts="view.parts" label="Part" optional />
      <button type="submit" class="control">Write it down</button>
    </form>
  </section>
</template>
