<script setup lang="ts">
/** Rigs to practise on: nine in a rising row, then as many as wanted by number. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, ref } from "vue";
import { api, unwrap } from "../../api/client";
import { actor, useMechanics } from "../../composables/useActor";
import { learnerCode } from "../../composables/useLearner";
import { useSending } from "../../composables/useSending";
import VerdictMark from "../../marks/VerdictMark.vue";
import WaitPage from "../../stages/WaitPage.vue";
import PickBox from "../../ui/PickBox.vue";
import ShopHeader from "../../ui/ShopHeader.vue";
import { typedNumber } from "../../ui/typedNumber";
import { keepAnswer } from "../../composables/keepAnswer";

const client = useQueryClient();
const { data: people } = useMechanics();
const name = computed(() => people.value?.find((m) => m.id === actor.value)?.name ?? "");
const code = computed(() => (actor.value ? learnerCode() : ""));
const key = computed(() => ["practice", code.value]);
const { data, error } = useQuery({
  queryKey: key,
  queryFn: () => unwrap(api.GET("/api/practice", { params: { header: { "X-Learner": code.value } } })),
});
const sort = ref("shims");
const number = ref("");
const wiping = ref(false);
const { trouble, send } = useSending();
const RESULTS: Record<string, string> = {
  in: "in, as good as can be",
  more: "in, in more than it needed",
  out: "truly out",
};
const shown = (r: { result: string; score: number; best: number }) =>
  r.result ? `${RESULTS[r.result] ?? ""}: ${r.score} of ${r.best}` : "begun, not signed";
const go = (path: string) => window.location.assign(path);
const begin = (which: string, no: number) =>
  send(async (header) => {
    const body = { sort: which, number: no, learner: code.value, name: name.value };
    go((await unwrap(api.POST("/api/practice/rigs", { params: { header }, body }))).path);
  });
const wipe = () =>
  send(async (header) => {
    const body = { learner: code.value };
    await keepAnswer(
      client,
      key.value,
      await unwrap(api.POST("/api/practice/wipes", { params: { header }, body })),
    );
    wiping.value = false;
  });
</script>

<template>
  <ShopHeader title="Practice" sub="made up: nothing here goes on a record, and nobody is ranked" />
  <WaitPage v-if="!data" bare :problem="error" />
  <main v-else class="grid gap-8 px-5 py-5 lg:grid-cols-[1fr_340px]">
    <div class="min-w-0">
      <h2 class="zone-head">Nine rigs, each harder than the one before</h2>
      <ol class="mt-3 grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
        <li v-for="r in data.row" :key="r.step" class="flex">
          <button
            type="button"
            class="flex min-h-[104px] w-full flex-col border-2 px-3 py-2 text-left"
            :class="r.result ? 'border-control' : 'border-dashed border-control'"
            :data-rig="r.step"
            :disabled="!name"
            @click="r.open ? go(r.path) : begin(r.sort, r.number)"
          >
            <span class="flex w-full items-center justify-between">
              <span class="text-[28px] leading-none font-bold">{{ r.step }}</span>
              <VerdictMark v-if="r.result" :code="r.mark" :class="r.result === 'out' ? 'text-danger' : ''" />
            </span>
            <span class="text-[18px] font-bold">{{ r.title }}</span>
            <span class="text-[15px] text-secondary">{{ r.attempt ? shown(r) : r.words }}</span>
          </button>
        </li>
      </ol>
      <h2 class="zone-head mt-6">What you did</h2>
      <p v-if="!data.done.length" class="mt-2 text-[17px]">
        Nothing yet. Begin with rig 1: pull the bar, read the dial, type how far it went.
      </p>
      <ul v-else class="mt-2">
        <li v-for="d in data.done" :key="d.id" class="flex min-h-12 items-center gap-4 border-b border-row">
          <span class="w-[84px] text-[17px] font-bold">Rig {{ d.number }}</span>
          <span class="min-w-0 flex-1 truncate">{{ d.title }}</span>
          <span class="text-[16px]" :class="d.result === 'out' ? 'font-bold text-danger' : ''">{{
            shown(d)
          }}</span>
          <button type="button" class="control px-3" @click="go(d.path)">
            {{ d.result ? "Look" : "Go on" }}<span class="sr-only"> at rig {{ d.number }}</span>
          </button>
        </li>
      </ul>
    </div>
    <aside class="flex flex-col gap-4 lg:border-l-2 lg:pl-6">
      <form class="flex flex-col gap-3" @submit.prevent="begin(sort, typedNumber(number, 0))">
        <h2 class="zone-head">Any rig, by its number</h2>
        <p class="text-[15px] text-secondary">
          The number is its hidden truth: two learners can do the same one.
        </p>
        <PickBox
          v-model="sort"
          name="sort"
          label="What"
          :options="data.sorts.map((s) => [s.sort, s.title] as [string, string])"
        />
        <label
          >Number<input
            v-model="number"
            class="field"
            name="number"
            inputmode="numeric"
            required
            autocomplete="off"
        /></label>
        <button type="submit" class="control control-main" :disabled="!name">Begin</button>
      </form>
      <p v-if="!name" class="font-bold">Choose your name at the top first.</p>
      <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
      <div v-if="data.done.length" class="border-t-2 pt-3">
        <p class="text-[15px] text-secondary">
          What you did is kept under a code in this browser. Nobody else sees it.
        </p>
        <button v-if="!wiping" type="button" class="control mt-2" data-wipe @click="wiping = true">
          Wipe what I did
        </button>
        <div v-else class="mt-2 flex gap-2">
          <button type="button" class="control border-danger" data-wipe-sure @click="wipe">
            Wipe it all
          </button>
          <button type="button" class="control" @click="wiping = false">Keep it</button>
        </div>
      </div>
    </aside>
  </main>
</template>
