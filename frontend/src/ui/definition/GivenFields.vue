<script setup lang="ts">
/** What a setting is given, as its kind asks for it; the limits come from the rows below. */
import { computed, ref, watch } from "vue";
import { givenFrom, useForm, type FormDraft } from "../../composables/useForm";
import FormFields from "../FormFields.vue";
import type { Row } from "./columns";

const row = defineModel<Row>({ required: true });
const FROM_LIMITS = ["least", "greatest", "source", "edition", "basis"];
const given = (row.value["given"] ?? {}) as Record<string, unknown>;
const text = (value: unknown) => (Array.isArray(value) ? value.join("\n") : String(value ?? ""));
const draft = ref<FormDraft>(Object.fromEntries(Object.entries(given).map(([k, v]) => [k, text(v)])));
const { fields: asked, problems } = useForm(
  () => ({ kind: String(row.value["kind"] ?? ""), unit: "mm" }),
  draft,
);
const limited = computed(() => Array.isArray(row.value["limits"]) && row.value["limits"].length > 0);
const fields = computed(() => asked.value.filter((f) => !limited.value || !FROM_LIMITS.includes(f.key)));
/** Only what somebody typed is kept: a default that is merely shown stays the kind's. */
const touched = ref(new Set(Object.keys(given)));
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
watch(kept, (now, before) => {
  if (JSON.stringify(now) === JSON.stringify(before)) return;
  const asks = new Set(asked.value.map((f) => f.key));
  const others = Object.entries((row.value["given"] ?? {}) as Record<string, unknown>).filter(
    ([k]) => !asks.has(k),
  );
  row.value = { ...row.value, given: { ...Object.fromEntries(others), ...now } };
});
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
