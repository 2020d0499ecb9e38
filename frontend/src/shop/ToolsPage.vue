<script setup lang="ts">
/** The yard's tools: press, crane, oven, rams, wrenches; how many, and whether they can be used. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, ref } from "vue";
import { api, newId, unwrap, type ToolView } from "../api/client";
import { useSending } from "../composables/useSending";
import WaitPage from "../stages/WaitPage.vue";
import PickBox from "../ui/PickBox.vue";
import SendingProblem from "../ui/SendingProblem.vue";
import ShopHeader from "../ui/ShopHeader.vue";
import TickBox from "../ui/TickBox.vue";
import { typedNumber } from "../ui/typedNumber";
import { keepAnswer } from "../composables/keepAnswer";

const client = useQueryClient();
const query = useQuery({ queryKey: ["tools"], queryFn: () => unwrap(api.GET("/api/tools")) });
const sending = useSending(() => query.refetch());
interface Draft {
  tool: string;
  seen: number;
  sort: string;
  name: string;
  count: string;
  out_of_order: boolean;
  words: string;
  details: Record<string, string>;
}
const draft = ref<Draft | null>(null);
const sorts = computed(() => (query.data.value?.sorts ?? []).map((s) => [s.key, s.label] as const));
const fields = computed(() => query.data.value?.sorts.find((s) => s.key === draft.value?.sort)?.fields ?? []);
const edit = (t?: ToolView) =>
  (draft.value = {
    tool: t?.tool ?? newId(),
    seen: t?.seen ?? 0,
    sort: t?.sort ?? "press",
    name: t?.name ?? "",
    count: String(t?.count ?? 1),
    out_of_order: t?.out_of_order ?? false,
    words: t?.words ?? "",
    details: { ...t?.details },
  });
const send = () =>
  sending.send(async (header) => {
    const d = draft.value;
    if (!d) return;
    const known = fields.value.map((f) => f.key);
    const details = Object.fromEntries(Object.entries(d.details).filter(([k, v]) => known.includes(k) && v));
    const body = { ...d, id: newId(), count: typedNumber(d.count, 0), details };
    await keepAnswer(client, ["tools"], await unwrap(api.POST("/api/tools", { params: { header }, body })));
    draft.value = null;
  });
</script>

<template>
  <ShopHeader title="Tools" sub="what the yard lifts, presses, heats and tightens with" />
  <WaitPage v-if="!query.data.value" bare :problem="query.error.value" />
  <main v-else class="px-5 py-4">
    <div class="flex items-center justify-between gap-3 border-b-2 pb-2">
      <h2 class="zone-head">On the shelf</h2>
      <button v-if="!draft" type="button" class="control" data-new-tool @click="edit()">Another tool</button>
    </div>
    <form
      v-if="draft"
      class="my-3 flex max-w-[860px] flex-col gap-3 border-l-4 pl-4"
      data-tool-form
      @submit.prevent="send"
    >
      <div class="grid gap-3 md:grid-cols-3">
        <PickBox v-model="draft.sort" name="sort" label="What it is" :options="sorts" />
        <label
          >What it is called<input v-model="draft.name" class="field" name="name" required maxlength="80"
        /></label>
        <label>How many<input v-model="draft.count" class="field" name="count" inputmode="numeric" /></label>
        <label v-for="f in fields" :key="f.key"
          >{{ f.label }}<input v-model="draft.details[f.key]" class="field" :name="f.key" autocomplete="off"
        /></label>
        <label class="md:col-span-2"
          >Remark, or what is wrong with it<input
            v-model="draft.words"
            class="field"
            name="words"
            maxlength="200"
        /></label>
      </div>
      <TickBox v-model="draft.out_of_order" name="out_of_order" label="Out of order" />
      <div class="flex gap-3">
        <button type="submit" class="control control-main">Write its card</button>
        <button type="button" class="control" @click="draft = null">Not now</button>
      </div>
    </form>
    <p v-if="!query.data.value.tools.length" class="py-4 text-[18px]">
      No tool is written down yet: the plan takes it that there is one press, one crane, one oven, one freezer
      and one ram.
    </p>
    <ul>
      <li
        v-for="t in query.data.value.tools"
        :key="t.tool"
        class="grid min-h-[60px] items-center gap-x-4 border-b-2 border-row py-1 md:grid-cols-[200px_1fr_auto_auto]"
        :data-tool="t.tool"
      >
        <span class="text-[17px] text-secondary">{{ t.sort_label }}</span>
        <span class="min-w-0 wrap-anywhere"
          ><b class="text-[19px]">{{ t.count > 1 ? `${t.count} × ` : "" }}{{ t.name }}</b>
          <span class="ml-2">{{ t.said.join(" · ") }}</span></span
        >
        <b v-if="!t.usable" class="bg-danger px-2 py-1 text-on-danger">{{ t.why_not || "none there" }}</b>
        <span v-else class="text-secondary">{{ t.words }}</span>
        <button type="button" class="control" @click="edit(t)">
          Write anew<span class="sr-only">, the card of {{ t.name }}</span>
        </button>
      </li>
    </ul>
    <SendingProblem :sending="sending" />
  </main>
</template>
