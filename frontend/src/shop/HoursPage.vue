<script setup lang="ts">
/** The shop's hours by weekday, the days that are otherwise, and how many pairs of hands. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { ref, watch } from "vue";
import { api, newId, unwrap, type HoursView } from "../api/client";
import { useSending } from "../composables/useSending";
import WaitPage from "../stages/WaitPage.vue";
import SendingProblem from "../ui/SendingProblem.vue";
import ShopHeader from "../ui/ShopHeader.vue";
import { typedNumber } from "../ui/typedNumber";
import { keepAnswer } from "../composables/keepAnswer";

const client = useQueryClient();
const query = useQuery({ queryKey: ["hours"], queryFn: () => unwrap(api.GET("/api/hours")) });
const sending = useSending();
interface Shift {
  day: string;
  opens: string;
  closes: string;
  hands: string;
  words: string;
}
const week = ref<Shift[]>([]);
const days = ref<Shift[]>([]);
const touched = ref(false);
const typed = (s: HoursView["week"][number]): Shift => ({ ...s, hands: String(s.hands) });
watch(
  query.data,
  (now) => {
    if (!now || touched.value) return;
    week.value = now.week.map(typed);
    days.value = now.days.map(typed);
  },
  { immediate: true },
);
const plain = (s: Shift) => ({ ...s, hands: typedNumber(s.hands, 0) });
const send = () =>
  sending.send(async (header) => {
    const body = {
      id: newId(),
      week: week.value.map((s) => ({ ...plain(s), day: "" })),
      days: days.value.map(plain),
    };
    const fresh = await unwrap(api.POST("/api/hours", { params: { header }, body }));
    touched.value = false;
    await keepAnswer(client, ["hours"], fresh);
    void client.invalidateQueries({ queryKey: ["today"] });
  });
</script>

<template>
  <ShopHeader title="Shop hours" sub="when hands work; waits run by themselves" />
  <WaitPage v-if="!query.data.value" bare :problem="query.error.value" />
  <main v-else class="px-5 py-4">
    <p v-if="!query.data.value.said" class="mb-3 text-[18px] font-semibold">
      Nobody wrote them down yet: the plan goes by these.
    </p>
    <form class="flex max-w-[760px] flex-col gap-4" data-hours @submit.prevent="send" @input="touched = true">
      <div
        class="grid grid-cols-[1fr_76px_76px_52px] items-center gap-x-2 gap-y-2 md:grid-cols-[1fr_110px_110px_90px] md:gap-x-3"
      >
        <b>Day</b><b>Opens</b><b>Closes</b><b>Hands</b>
        <template v-for="s in week" :key="s.day">
          <span class="text-[18px]">{{ s.day }}</span>
          <input
            v-model="s.opens"
            class="field"
            :aria-label="`${s.day} opens`"
            placeholder="closed"
            maxlength="5"
          />
          <input v-model="s.closes" class="field" :aria-label="`${s.day} closes`" maxlength="5" />
          <input
            v-model="s.hands"
            class="field"
            :aria-label="`${s.day} pairs of hands`"
            inputmode="numeric"
          />
        </template>
      </div>
      <h2 class="zone-head border-b-2 pb-1">Days that are otherwise</h2>
      <div
        v-for="(s, i) in days"
        :key="i"
        class="grid grid-cols-2 items-end gap-3 md:grid-cols-[150px_100px_100px_80px_1fr_auto]"
        data-other-day
      >
        <label>Day<input v-model="s.day" class="field" placeholder="2026-12-24" maxlength="10" /></label>
        <label>Opens<input v-model="s.opens" class="field" placeholder="closed" maxlength="5" /></label>
        <label>Closes<input v-model="s.closes" class="field" maxlength="5" /></label>
        <label>Hands<input v-model="s.hands" class="field" inputmode="numeric" /></label>
        <label>Remark<input v-model="s.words" class="field" maxlength="120" /></label>
        <button type="button" class="control" @click="(days.splice(i, 1), (touched = true))">Strike</button>
      </div>
      <div class="flex gap-3">
        <button
          type="button"
          class="control"
          data-more-days
          @click="(days.push({ day: '', opens: '', closes: '', hands: '0', words: '' }), (touched = true))"
        >
          Another day
        </button>
        <button type="submit" class="control control-main">Write it down</button>
      </div>
    </form>
    <SendingProblem :sending="sending" />
  </main>
</template>
