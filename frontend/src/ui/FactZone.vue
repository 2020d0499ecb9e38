<script setup lang="ts">
/** What else can be written down on this stage, each by the form that the core declares for it. */
import { ref } from "vue";
import type { OfferedFact, WrittenFact } from "../api/client";
import { draftFrom, givenFrom, type FormDraft } from "../composables/useForm";
import FormFields from "./FormFields.vue";

export interface FactSent {
  kind: string;
  body?: Record<string, unknown>;
  supersedes?: string;
  void?: boolean;
}
const props = defineProps<{
  offered: OfferedFact[];
  written: WrittenFact[];
  write: (fact: FactSent) => Promise<boolean>;
}>();
const open = ref<OfferedFact | null>(null);
const draft = ref<FormDraft>({});
function begin(fact: OfferedFact) {
  open.value = fact;
  draft.value = draftFrom(fact.fields);
}
async function send() {
  if (!open.value) return;
  const body = givenFrom(open.value.fields, draft.value);
  if (await props.write({ kind: open.value.fact_kind, body })) open.value = null;
}
</script>

<template>
  <section
    v-if="offered.length || written.length"
    class="border-t-2 px-5 py-3"
    aria-label="Also written down"
    data-facts
  >
    <ul>
      <li v-for="w in written" :key="w.id" class="flex flex-wrap items-center gap-4 border-b border-row py-2">
        <strong>{{ w.title }}</strong>
        <span v-if="w.label">{{ w.label }}</span>
        <span class="min-w-0 flex-1">{{ w.words }}</span>
        <span class="text-secondary">{{ w.by }}</span>
        <button
          type="button"
          class="control"
          @click="write({ kind: w.fact_kind, supersedes: w.id, void: true })"
        >
          Strike it
        </button>
      </li>
    </ul>
    <form v-if="open" class="mt-2 flex flex-col gap-3" @submit.prevent="send">
      <h2 class="zone-head">{{ open.title }}</h2>
      <FormFields v-model="draft" :fields="open.fields" :problems="{}" />
      <div class="flex gap-3">
        <button type="submit" class="control control-main">Write it down</button>
        <button type="button" class="control" @click="open = null">Not now</button>
      </div>
    </form>
    <div v-else class="mt-2 flex flex-wrap gap-3">
      <button
        v-for="o in offered"
        :key="o.fact_kind"
        type="button"
        class="control"
        :data-offer="o.fact_kind"
        @click="begin(o)"
      >
        {{ o.title }}
      </button>
    </div>
  </section>
</template>
