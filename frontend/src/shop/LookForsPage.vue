<script setup lang="ts">
/** What is looked for on each kind of part; the shop adds its own. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, reactive } from "vue";
import { api, newId, unwrap } from "../api/client";
import { useSending } from "../composables/useSending";
import WaitPage from "../stages/WaitPage.vue";
import SendingProblem from "../ui/SendingProblem.vue";
import ShopHeader from "../ui/ShopHeader.vue";
import PickBox from "../ui/PickBox.vue";
import { keepAnswer } from "../composables/keepAnswer";

const client = useQueryClient();
const sending = useSending();
const { send } = sending;
const { data, error } = useQuery({
  queryKey: ["look-fors"],
  queryFn: () => unwrap(api.GET("/api/look-fors")),
});
const groups = computed(() => {
  const found = new Map<string, NonNullable<typeof data.value>>();
  for (const x of data.value ?? []) found.set(x.group, [...(found.get(x.group) ?? []), x]);
  return [...found];
});
const name = (group: string) => group.replaceAll("_", " ");
const fresh = reactive({ group: "gear", label: "", means: "" });
const write = (body: { group?: string; label?: string; means?: string; retire?: string }) => {
  const sent = { id: newId(), group: "", label: "", means: "", kinds: [], retire: "", ...body };
  return send(async (header) => {
    const rows = await unwrap(api.POST("/api/look-fors", { params: { header }, body: sent }));
    await keepAnswer(client, ["look-fors"], rows);
  });
};
async function add() {
  if (await write({ ...fresh })) Object.assign(fresh, { label: "", means: "" });
}
</script>

<template>
  <ShopHeader title="Look-fors" sub="what is looked for on each part" />
  <WaitPage bare v-if="!data" :problem="error" />
  <main v-else class="px-5 py-4">
    <form class="grid gap-3 border-b-2 pb-4 md:grid-cols-[200px_1fr_1fr_auto]" data-own @submit.prevent="add">
      <PickBox
        v-model="fresh.group"
        name="group"
        label="On"
        :options="groups.map(([g]) => [g, name(g)] as const)"
      />
      <label
        >Look for<input v-model="fresh.label" class="field" name="label" required maxlength="120"
      /></label>
      <label
        >It means<input v-model="fresh.means" class="field" name="means" required maxlength="300"
      /></label>
      <button type="submit" class="control control-main self-end">Add the shop's own</button>
    </form>
    <SendingProblem :sending="sending" />
    <div class="mt-4 gap-x-10 lg:columns-2">
      <section v-for="[group, rows] in groups" :key="group" class="mb-5 break-inside-avoid">
        <h2 class="zone-head border-b-2 capitalize">{{ name(group) }}</h2>
        <p class="text-secondary">{{ rows[0]?.part_kinds.join(", ") }}</p>
        <ul>
          <li v-for="x in rows" :key="x.key" class="flex items-center gap-3 border-b-2 border-row py-1.5">
            <span class="flex-1"
              ><strong class="block text-[17px] leading-tight">{{ x.label }}</strong
              >{{ x.means }}</span
            >
            <button v-if="x.own" type="button" class="control" @click="write({ retire: x.id })">
              Retire
            </button>
          </li>
        </ul>
      </section>
    </div>
  </main>
</template>
