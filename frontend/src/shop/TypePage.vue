<script setup lang="ts">
/** One unit type: edited into its next revision, copied, given out as JSON and CSV. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, ref, watch } from "vue";
import { useRouter } from "vue-router";
import { api, unwrap } from "../api/client";
import { useSending } from "../composables/useSending";
import WaitPage from "../stages/WaitPage.vue";
import type { Definition, Row } from "../ui/definition/columns";
import DefinitionEditor from "../ui/definition/DefinitionEditor.vue";
import SendingProblem from "../ui/SendingProblem.vue";
import ShopHeader from "../ui/ShopHeader.vue";

const props = defineProps<{ type: string }>();
const router = useRouter();
const client = useQueryClient();
const sending = useSending();
const fresh = computed(() => props.type === "new");
const { data, error } = useQuery({
  queryKey: computed(() => ["type", props.type]),
  queryFn: () => unwrap(api.GET("/api/unit-types/{type_id}", { params: { path: { type_id: props.type } } })),
  enabled: computed(() => !fresh.value),
  refetchOnWindowFocus: false,
});
const definition = ref<Definition | null>(null);
const name = ref("");
const key = ref("");
const seen = ref(0);
watch(
  [data, fresh],
  () => {
    if (fresh.value) definition.value = { shafts: [], parts: [], meshes: [], places: [], settings: [] };
    else if (data.value) {
      definition.value = data.value.definition as Definition;
      [name.value, key.value, seen.value] = [data.value.name, data.value.type_id, data.value.number];
    }
  },
  { immediate: true },
);
const save = () =>
  sending.send(async (header) => {
    const sheet = await unwrap(
      api.POST("/api/unit-types/{type_id}", {
        params: { path: { type_id: key.value }, header },
        body: { name: name.value, definition: definition.value ?? {}, seen: seen.value },
      }),
    );
    client.setQueryData(["type", sheet.type_id], sheet);
    await client.invalidateQueries({ queryKey: ["types"] });
    await router.replace(`/types/${sheet.type_id}`);
  });
/** A copy is a new type: it keeps everything but its key. */
function copy() {
  [name.value, key.value, seen.value] = [`${name.value}, copy`, `${key.value}-copy`, 0];
}
async function partsIn(event: Event) {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (!file) return;
  const csv = await file.text();
  await sending.send(async () => {
    const parts = await unwrap(api.POST("/api/parts-lists", { body: { csv } }));
    definition.value = { ...definition.value, parts: parts as Row[] };
  });
  input.value = "";
}
const changed = computed(() => JSON.stringify(definition.value) !== JSON.stringify(data.value?.definition));
</script>

<template>
  <ShopHeader :title="name || 'New unit type'" :sub="seen ? `revision ${seen}` : 'not stored yet'" />
  <WaitPage bare v-if="!definition" :problem="error" />
  <main v-else>
    <form class="flex flex-wrap items-end gap-3 border-b-2 px-5 py-3" data-type-head @submit.prevent="save">
      <label class="min-w-[240px] flex-1"
        >Name<input v-model="name" class="field" name="type-name" required
      /></label>
      <label class="w-[220px]"
        >Key<input
          v-model="key"
          class="field"
          name="type-key"
          required
          pattern="[a-z0-9][a-z0-9-]*"
          :readonly="seen > 0"
      /></label>
      <button type="submit" class="control control-main">
        {{ seen ? `Save revision ${seen + 1}` : "Save" }}
      </button>
      <button v-if="seen" type="button" class="control" data-copy @click="copy">Copy</button>
      <a v-if="seen" class="control" :href="`/api/unit-types/${type}/unit-type.json`" download>JSON</a>
      <a v-if="seen" class="control" :href="`/api/unit-types/${type}/parts.csv`" download>Parts as CSV</a>
      <label class="control"
        >Parts from CSV<input
          type="file"
          accept=".csv,text/csv"
          class="sr-only"
          data-parts-csv
          @change="partsIn"
      /></label>
      <p class="w-full text-secondary">
        {{ changed && seen ? "Changed, not saved. " : "" }}A job that was begun keeps the revision it was
        begun with.
      </p>
    </form>
    <section v-if="data?.overruled.length" class="border-b-2 px-5 py-3" aria-label="Overruled" data-overruled>
      <h2 class="zone-head">What jobs of this type overruled, proposals for the next revision</h2>
      <p v-for="o in data.overruled" :key="o">{{ o }}</p>
    </section>
    <DefinitionEditor v-model="definition" />
    <SendingProblem :sending="sending" />
  </main>
</template>
