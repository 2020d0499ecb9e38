<script setup lang="ts">
/** What a setting is given, as its kind asks for it; the limits come from the rows below. */
import { computed, ref, watch } from "vue";
import { givenFrom, useForm, type FormDraft } from "../../composables/useForm";
import FormFields from "../FormFields.vue";
import type { Row } from "./columns";

const row = defineModel<Row>({ required: true });
const FROM_LIMITS = ["least", "greatest", "source", "edition", "basis"];
type Given = Record<string, unknown>;
const givenNow = () => (row.value["given"] ?? {}) as Given;
const sorted = (given: Given) => JSON.stringify(Object.entries(given).sort(([a], [b]) => (a < b ? -1 : 1)));
const text = (value: unknown) => (Array.isArray(value) ? value.join("\n") : String(value ?? ""));
const asTyped = (given: Given) => Object.fromEntries(Object.entries(given).map(([k, v]) => [k, text(v)]));
const draft = ref<FormDraft>(asTyped(givenNow()));
const { fields: asked, problems } = useForm(
  () => ({ kind: String(row.value["kind"] ?? ""), unit: "mm" }),
  draft,
);
const limited = computed(() => Array.isArray(row.value["limits"]) && row.value["limits"].length > 0);
const fields = computed(() => asked.value.filter((f) => !limited.value || !FROM_LIMITS.includes(f.key)));
/** Only what somebody typed is kept: a default that is merely shown stays the kind's. */
const touched = ref(new Set(Object.keys(givenNow())));
function typed(next: FormDraft) {
  const changed = Object.keys(next).filter((key) => next[key] !== draft.value[key]);
  touched.value = new Set([...touched.value, ...changed]);
  draft.value = next;
}
const kept = computed(() =>
  Object.fromEntries(
    Object.entries(givenFrom(asked.value, draft.value)).filter(([key]) => touched.value.has(key)),
  ),
);
let mine = sorted(givenNow());
watch(kept, (now) => {
  const asks = new Set(asked.value.map((f) => f.key));
  const others = Object.entries(givenNow()).filter(([k]) => !asks.has(k));
  const given = { ...Object.fromEntries(others), ...now };
  if (sorted(given) === sorted(givenNow())) return;
  mine = sorted(given);
  row.value = { ...row.value, given };
});
/** What was undone elsewhere is shown as it stands now. */
watch(
  () => sorted(givenNow()),
  (now) => {
    if (now === mine) return;
    mine = now;
    const cleared = Object.fromEntries(Object.keys(draft.value).map((k) => [k, ""]));
    touched.value = new Set(Object.keys(givenNow()));
    draft.value = { ...cleared, ...asTyped(givenNow()) };
  },
);
</script>

<template>
  <div data-given-fields>
    <FormFields
      :model-value="draft"
      :fields="fields"
      :problems="problems"
      plain
      narrow
      @update:model-value="typed"
    />
  </div>
</template>
