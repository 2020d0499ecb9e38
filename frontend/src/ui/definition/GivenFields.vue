<script setup lang="ts">
/** What a setting is given, as its kind asks for it; the limits come from the rows below. */
import { useQuery } from "@tanstack/vue-query";
import { computed } from "vue";
import { api, unwrap } from "../../api/client";
import type { Row } from "./columns";

const row = defineModel<Row>({ required: true });
interface Property {
  title?: string;
  description?: string;
  enum?: string[];
}
const { data } = useQuery({
  queryKey: ["kinds"],
  queryFn: () => unwrap(api.GET("/api/kinds")),
  staleTime: Infinity,
});
const FROM_LIMITS = ["least", "greatest", "source", "edition", "basis"];
const given = computed(() => (row.value["given"] ?? {}) as Record<string, unknown>);
const fields = computed<[string, Property][]>(() => {
  const schema = data.value?.find((k) => k.id === row.value["kind"])?.schema as
    { properties?: { given?: { properties?: Record<string, Property> } } } | undefined;
  const limited = Array.isArray(row.value["limits"]) && row.value["limits"].length > 0;
  return Object.entries(schema?.properties?.given?.properties ?? {}).filter(
    ([key]) => !limited || !FROM_LIMITS.includes(key),
  );
});
function put(key: string, event: Event) {
  const typed = (event.target as HTMLInputElement).value;
  const kept = Object.entries(given.value).filter(([k]) => k !== key);
  row.value = { ...row.value, given: Object.fromEntries(typed ? [...kept, [key, typed]] : kept) };
}
const shown = (key: string) => {
  const value = given.value[key];
  return Array.isArray(value) ? value.join("\n") : String(value ?? "");
};
</script>

<template>
  <div class="grid gap-x-4 gap-y-2 sm:grid-cols-2" data-given-fields>
    <label v-for="[key, about] in fields" :key="key"
      >{{ about.title }}
      <select
        v-if="about.enum"
        class="field"
        :name="`given-${key}`"
        :value="shown(key)"
        @change="put(key, $event)"
      >
        <option value="">–</option>
        <option v-for="o in about.enum" :key="o" :value="o">{{ o }}</option>
      </select>
      <input
        v-else
        class="field"
        :name="`given-${key}`"
        :value="shown(key)"
        autocomplete="off"
        @change="put(key, $event)"
      />
    </label>
  </div>
</template>
