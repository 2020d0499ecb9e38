<script setup lang="ts">
/** One unit type, or one that is begun: built on its drawing, kept here as it is typed, saved as its next revision. */
import { at } from "../../api/rigAddress";
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed } from "vue";
import { onBeforeRouteLeave, useRouter } from "vue-router";
import { api, unwrap } from "../../api/client";
import { useSending } from "../../composables/useSending";
import WaitPage from "../../stages/WaitPage.vue";
import type { Definition } from "../../ui/definition/columns";
import DefinitionEditor from "../../ui/definition/DefinitionEditor.vue";
import { isNew, keepsDrafts, leftBehind, putAside, throwAway, useDraft } from "../../ui/definition/useDraft";
import SendingProblem from "../../ui/SendingProblem.vue";
import ShopHeader from "../../ui/ShopHeader.vue";
import { keepAnswer } from "../../composables/keepAnswer";

const props = defineProps<{ type: string }>();
const router = useRouter();
const client = useQueryClient();
const sending = useSending();
const fresh = computed(() => isNew(props.type));
const { data, error } = useQuery({
  queryKey: computed(() => ["type", props.type]),
  queryFn: () => unwrap(api.GET("/api/unit-types/{type_id}", { params: { path: { type_id: props.type } } })),
  enabled: computed(() => !fresh.value),
  refetchOnWindowFocus: false,
});
const draft = useDraft(() => props.type);
const stored = computed(() =>
  data.value
    ? { name: data.value.name, definition: data.value.definition as Definition, seen: data.value.number }
    : null,
);
const now = computed(() => draft.value ?? stored.value);
const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
/** What is typed becomes the draft; back to what is stored, there is none. */
function put(name: string, definition: Definition) {
  const seen = now.value?.seen ?? 0;
  const made = { name, definition, seen };
  draft.value = same(made, stored.value) ? null : made;
}
const name = computed({
  get: () => now.value?.name ?? "",
  set: (typed: string) => put(typed, definition.value),
});
const definition = computed<Definition>({
  get: () => now.value?.definition ?? {},
  set: (made) => put(name.value, made),
});
const keptHere = keepsDrafts();
const seen = computed(() => now.value?.seen ?? 0);
const behind = computed(() => Boolean(draft.value && stored.value && seen.value !== stored.value.seen));
const save = () =>
  sending.send(async (header) => {
    const body = { name: name.value.trim(), definition: definition.value };
    const sheet = fresh.value
      ? await unwrap(api.POST("/api/unit-types", { params: { header }, body }))
      : await unwrap(
          api.POST("/api/unit-types/{type_id}", {
            params: { path: { type_id: props.type }, header },
            body: { ...body, seen: seen.value },
          }),
        );
    await keepAnswer(client, ["type", sheet.type_id], sheet);
    draft.value = null;
    throwAway(props.type);
    await client.invalidateQueries({ queryKey: ["types"] });
    await router.replace(`/types/${sheet.type_id}`);
  });
/** A copy is a new type: it keeps everything but its key. */
async function copy() {
  const id = putAside({ name: `${name.value}, copy`, definition: definition.value, seen: 0 });
  await router.push(`/types/${id}`);
}
async function letDraftGo() {
  draft.value = null;
  throwAway(props.type);
  if (fresh.value) await router.push("/types");
}
onBeforeRouteLeave(() => {
  if (draft.value) leftBehind.value = { id: props.type, name: name.value };
});
const sub = computed(() => (seen.value ? `revision ${seen.value}` : "not stored yet"));
</script>

<template>
  <ShopHeader :title="name || 'New unit type'" :sub="sub" />
  <WaitPage bare v-if="!now && !fresh" :problem="error" />
  <p v-if="fresh && !draft" class="px-5 text-[18px]">
    There is no such draft on this device. Begin one at
    <RouterLink to="/types/new" class="underline">New type</RouterLink>.
  </p>
  <main v-else-if="now">
    <form class="flex flex-wrap items-end gap-3 border-b-2 px-5 py-2" data-type-head @submit.prevent="save">
      <label class="min-w-[240px] flex-1 max-lg:basis-full"
        >Name<input
          v-model="name"
          class="field"
          name="type-name"
          maxlength="80"
          autocomplete="off"
          required
          placeholder="What this unit is called"
      /></label>
      <button type="submit" class="control control-main" data-save-type>
        {{ seen ? `Save revision ${seen + 1}` : "Save" }}
      </button>
      <button v-if="draft" type="button" class="control" data-throw-away @click="letDraftGo">
        Throw the changes away
      </button>
      <template v-if="!fresh">
        <RouterLink :to="`/receive?type=${type}.${stored?.seen}`" class="control" data-receive-one
          >Receive one</RouterLink
        >
        <button type="button" class="control" data-copy @click="copy">Copy</button>
        <a class="control" :href="at(`/api/unit-types/${type}/unit-type.json`)" download>JSON</a>
        <a class="control" :href="at(`/api/unit-types/${type}/parts.csv`)" download>Parts as CSV</a>
      </template>
      <p class="w-full text-secondary" role="status" data-draft-says>
        {{
          behind
            ? `Begun from revision ${seen}; revision ${stored?.seen} was saved since. Yours is kept here: copy it, or throw it away.`
            : draft
              ? keptHere
                ? "Not saved. Kept on this device as you type it; a job that was begun keeps the revision it was begun with."
                : "Not saved, and this browser keeps nothing: save before you leave the page."
              : "A job that was begun keeps the revision it was begun with."
        }}
      </p>
    </form>
    <SendingProblem :sending="sending" />
    <section v-if="data?.overruled.length" class="border-b-2 px-5 py-3" aria-label="Overruled" data-overruled>
      <h2 class="zone-head">What jobs of this type overruled, proposals for the next revision</h2>
      <p v-for="o in data.overruled" :key="o">{{ o }}</p>
    </section>
    <DefinitionEditor :key="type" v-model="definition" />
  </main>
</template>
