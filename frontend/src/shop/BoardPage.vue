<script setup lang="ts">
/** The yard at a glance: every unit with its next move and what it waits for, by who can act. */
import { useQuery } from "@tanstack/vue-query";
import { computed } from "vue";
import { RouterLink, useRouter } from "vue-router";
import { api, unwrap } from "../api/client";
import { useKeys } from "../composables/useKeys";
import { useYard } from "../composables/useYard";
import WaitPage from "../stages/WaitPage.vue";
import SayLine from "../ui/SayLine.vue";
import BoardBand from "./BoardBand.vue";
import DayLine from "./DayLine.vue";
import DueBand from "./DueBand.vue";
import TakeIn from "./TakeIn.vue";
import ShopHeader from "../ui/ShopHeader.vue";

const { yard } = useYard();
const router = useRouter();
useKeys((event) => {
  if (event.key === "n") void router.push("/bench");
  return event.key === "n";
});
const { data, error } = useQuery({
  queryKey: ["board"],
  queryFn: () => unwrap(api.GET("/api/board")),
  refetchInterval: 5000,
});
const bands = computed(() =>
  [
    { key: "hands", title: "Needs hands", sub: "begun first, then the worst", texture: "bg-found" },
    { key: "held", title: "Held up", sub: "somebody has to be asked", texture: "border-2 border-dashed" },
    { key: "done", title: "Every setting signed", sub: "to be proved and released", texture: "border-2" },
  ].map((b) => ({ ...b, rows: data.value?.rows.filter((r) => r.band === b.key) ?? [] })),
);
const counts = computed<[number, string][]>(() => [
  [data.value?.needs_hands ?? 0, "need hands"],
  [data.value?.held_up ?? 0, "held up"],
  [data.value?.ready ?? 0, "ready"],
]);
</script>

<template>
  <ShopHeader :title="yard?.name ?? 'The yard'" :sub="`${data?.rows.length ?? 0} units on the bench`" />
  <WaitPage bare v-if="!data" :problem="error" />
  <main v-else>
    <div class="flex border-b-2 max-lg:flex-col">
      <SayLine :say="data.say" eyebrow="Next in the yard" flat class="flex-1" />
      <dl class="flex items-center gap-10 px-8 py-3 lg:my-4 lg:border-l-2">
        <div v-for="[n, words] in counts" :key="words" class="flex flex-col-reverse">
          <dt class="text-[18px] font-semibold">{{ words }}</dt>
          <dd class="text-[60px] font-bold leading-none">{{ n }}</dd>
        </div>
      </dl>
    </div>
    <p v-if="!data.rows.length" class="px-5 py-8 text-[22px]">
      Nothing on the bench. Take a job in with an exchange file, or seed the demo yard with
      <code>make demo</code>.
    </p>
    <p v-if="data.late" class="border-b-2 px-5 py-2 text-[18px] font-semibold">
      <RouterLink to="/orders" class="underline" data-late-orders
        >{{ data.late === 1 ? "One order is" : `${data.late} orders are` }} late</RouterLink
      >
    </p>
    <DayLine />
    <p v-if="data.unread" class="px-5 py-3 text-[18px] font-semibold" role="status">
      {{ data.unread }} more units are being read.
    </p>
    <BoardBand
      v-for="b in bands.filter((x) => x.rows.length)"
      :key="b.key"
      :title="b.title"
      :sub="b.sub"
      :texture="b.texture"
      :rows="b.rows"
    />
    <DueBand v-if="data.due.length" :due="data.due" :more="data.due_more" />
    <p v-if="data.low.length" class="px-5 py-3 text-[16px]">
      <strong>Drawer runs low:</strong> {{ data.low.join(" · ") }}
    </p>
    <div class="flex flex-wrap items-center">
      <RouterLink to="/bench" class="control ml-5" data-on-the-bench
        >Something on the bench <span class="keycap">n</span></RouterLink
      >
      <TakeIn />
    </div>
  </main>
</template>
