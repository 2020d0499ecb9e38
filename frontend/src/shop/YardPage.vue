<script setup lang="ts">
/** The yard: what it is called, which clock hangs on its wall, who works there. */
import { useQueryClient } from "@tanstack/vue-query";
import { RouterLink } from "vue-router";
import { computed, reactive, ref, watch } from "vue";
import { api, newId, unwrap } from "../api/client";
import { actor, chooseActor } from "../composables/useActor";
import { useSending } from "../composables/useSending";
import { useYard } from "../composables/useYard";
import WaitPage from "../stages/WaitPage.vue";
import PickBox from "../ui/PickBox.vue";
import SendingProblem from "../ui/SendingProblem.vue";
import ShopHeader from "../ui/ShopHeader.vue";
import { keepAnswer } from "../composables/keepAnswer";

const client = useQueryClient();
const { query, yard, moment } = useYard();
const sending = useSending();
const draft = reactive({ name: "", zone: "" });
watch(
  yard,
  (now) => {
    if (now && !draft.zone) Object.assign(draft, { name: now.name, zone: now.zone });
  },
  { immediate: true },
);
const person = ref("");
const zones = computed(() => (yard.value?.zones ?? []).map((z) => [z, z.replaceAll("_", " ")] as const));
const now = computed(() => moment(new Date().toISOString()));
async function refresh() {
  await client.invalidateQueries();
}
const rename = () =>
  sending.send(async (header) => {
    await keepAnswer(
      client,
      ["yard"],
      await unwrap(api.POST("/api/yard", { params: { header }, body: { ...draft } })),
    );
    await refresh();
  });
const add = () =>
  sending.send(async (header) => {
    const id = newId();
    const body = { id, name: person.value };
    await keepAnswer(
      client,
      ["yard"],
      await unwrap(api.POST("/api/mechanics", { params: { header }, body })),
    );
    if (!actor.value) chooseActor(id);
    person.value = "";
    await refresh();
  });
</script>

<template>
  <ShopHeader title="The yard" :sub="yard?.name ?? ''" />
  <WaitPage bare v-if="!yard" :problem="query.error.value" />
  <main v-else class="grid gap-8 px-5 py-4 lg:grid-cols-2">
    <form class="flex max-w-[560px] flex-col gap-4" data-yard @submit.prevent="rename">
      <h2 class="zone-head border-b-2 pb-1">Name and clock</h2>
      <label
        >What it is called<input v-model="draft.name" class="field" name="yard-name" required maxlength="60"
      /></label>
      <PickBox v-model="draft.zone" name="zone" label="Time zone" :options="zones" />
      <p>The clock on its wall says {{ now }}. Dates on the board, on orders and on records are its own.</p>
      <button type="submit" class="control control-main self-start">Write it down</button>
    </form>
    <section class="max-w-[560px]">
      <h2 class="zone-head border-b-2 pb-1">Who works here</h2>
      <p class="py-2">
        Names alone. <RouterLink to="/people" class="font-semibold underline">Who may sign in</RouterLink> is
        the owner's.
      </p>
      <ul data-people>
        <li v-for="m in yard.people" :key="m.id" class="border-b-2 border-row py-2 text-[18px]">
          {{ m.name }}
        </li>
      </ul>
      <p v-if="!yard.people.length" class="py-3 text-[18px]">Nobody yet. The first one adds himself.</p>
      <form class="mt-3 flex items-end gap-3" @submit.prevent="add">
        <label class="flex-1"
          >One more<input
            v-model="person"
            class="field"
            name="person"
            required
            maxlength="60"
            autocomplete="off"
        /></label>
        <button type="submit" class="control">Add</button>
      </form>
    </section>
    <section class="max-w-[560px] lg:col-span-2" aria-label="Archive" data-archive>
      <h2 class="zone-head border-b-2 pb-1">Everything, in one open file</h2>
      <p class="py-2">
        The archive holds every table as JSON and as CSV, and every photo. It is taken into an empty yard:
        <code>bornek take-in --from FILE</code>; <code>bornek verify FILE</code> shows whether it was changed.
      </p>
      <a class="control" href="/api/yard/archive.zip" download>The yard's archive</a>
    </section>
    <SendingProblem class="lg:col-span-2" :sending="sending" />
  </main>
</template>
