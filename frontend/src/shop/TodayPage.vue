<script setup lang="ts">
/** The yard's day: what hands do now, what runs by itself, when it calls, when everything is whole. */
import { useQuery } from "@tanstack/vue-query";
import { computed, ref } from "vue";
import { RouterLink, useRouter } from "vue-router";
import { api, unwrap } from "../api/client";
import { COMMON_KEYS, useStageKeys } from "../composables/useStageKeys";
import DayDial from "../marks/DayDial.vue";
import PageFoot from "../ui/PageFoot.vue";
import SayLine from "../ui/SayLine.vue";
import ShopHeader from "../ui/ShopHeader.vue";
import UnitTag from "../ui/UnitTag.vue";
import WaitPage from "../stages/WaitPage.vue";
import { clockOf } from "./dayClock";
import SelfRowLine from "./SelfRowLine.vue";

const KEYS: [string, string][] = [
  ["h", "A hand is free: the next act for it"],
  ["c", "The calendar, to take away"],
  ["a", "Cautions"],
];
const router = useRouter();
const { data, error } = useQuery({
  queryKey: ["today"],
  queryFn: () => unwrap(api.GET("/api/today")),
  refetchInterval: 15_000,
});
const help = ref<"keys" | "cautions" | null>(null);
const first = computed(() => data.value?.hands.find((r) => r.now) ?? data.value?.hands[0]);
const toNext = () => first.value && void router.push(`/jobs/${first.value.job}/plan/${first.value.step}`);
const calendar = ref<HTMLAnchorElement | null>(null);
useStageKeys((event) => {
  if (help.value) return false;
  if (event.key === "?") help.value = "keys";
  else if (event.key === "a") help.value = "cautions";
  else if (event.key === "h" || event.key === "Enter") toNext();
  else if (event.key === "c") calendar.value?.click();
  else return false;
  return true;
});
const when = (stamp: string | null) => clockOf(stamp ?? "", data.value?.now ?? "");
</script>

<template>
  <div class="flex min-h-full flex-col">
    <ShopHeader title="Today" :sub="data ? `${data.now.slice(0, 10)}, ${data.now.slice(11, 16)}` : ''" />
    <WaitPage v-if="!data" bare :problem="error" />
    <main v-else class="flex flex-1 flex-col">
      <SayLine :say="data.say" eyebrow="Next in the yard" :head="data.head" :aside="data.aside" />
      <div class="grid flex-1 content-start lg:grid-cols-[minmax(400px,480px)_1fr]">
        <section class="bg-bay px-3 py-2 max-lg:order-last lg:border-r-2" aria-label="The next hours">
          <DayDial :day="data" class="mx-auto" />
          <p
            v-for="c in data.clashes"
            :key="c.tag + c.at"
            class="px-2 py-1 text-[16px] font-bold text-danger"
          >
            {{ c.tag }} waits for the {{ c.resource }} until {{ when(c.at) }}: {{ c.holder }} has it.
          </p>
          <p v-for="r in data.refused" :key="r" class="px-2 py-1 text-[16px] font-bold text-danger">
            {{ r }}.
          </p>
          <p class="px-2 text-[15px] text-secondary">One degree on the face is a minute.</p>
        </section>
        <section class="min-w-0">
          <h2 class="flex items-center gap-3 bg-bay px-5 py-1 text-[17px] font-bold">
            <span class="h-3 w-12 bg-found" aria-hidden="true"></span>Hands
            <span class="font-medium text-secondary">{{
              data.hands_now ? `${data.hands_now} now` : "the shop is closed"
            }}</span>
            <span class="ml-auto font-medium text-secondary">until</span>
          </h2>
          <p v-if="!data.hands.length" class="px-5 py-3 text-[17px]">Nothing is left to do by hand.</p>
          <RouterLink
            v-for="r in data.hands.slice(0, 5)"
            :key="r.job + r.step"
            :to="`/jobs/${r.job}/plan/${r.step}`"
            class="mx-5 grid min-h-[54px] grid-cols-[98px_1fr_auto] items-center gap-x-4 border-b-2 border-row py-1"
            data-hand
          >
            <UnitTag :tag="r.tag" small />
            <span class="min-w-0 leading-tight"
              ><b class="block truncate text-[20px]">{{ r.label }}</b
              ><span class="block truncate text-[15px] text-secondary"
                >{{ r.now ? "" : `from ${when(r.starts)} · `
                }}{{ r.resource ? `has the ${r.resource} · ` : ""
                }}{{ r.hands > 1 ? `${r.hands} pairs · ` : ""
                }}{{ r.then ? `then ${r.then}` : "the last of it" }}</span
              ></span
            >
            <span class="text-[26px] font-bold">{{ when(r.until) }}</span>
          </RouterLink>
          <h2 class="mt-1 flex items-center gap-3 bg-bay px-5 py-1 text-[17px] font-bold">
            <span class="hatch h-3 w-12 border-2" aria-hidden="true"></span>Runs by itself
            <span class="font-medium text-secondary">leave it, the clock calls you</span>
            <span class="ml-auto font-medium text-secondary">ready</span>
          </h2>
          <p v-if="!data.by_itself.length" class="px-5 py-3 text-[17px]">Nothing runs by itself.</p>
          <SelfRowLine
            v-for="r in data.by_itself"
            :key="r.job + r.step + r.label"
            class="mx-5"
            :row="r"
            :now="data.now"
          />
          <template v-if="data.leaving.length">
            <h2 class="bg-bay px-5 py-1 text-[17px] font-bold">Start before leaving</h2>
            <p
              v-for="l in data.leaving"
              :key="l.job + l.step"
              class="mx-5 flex items-center gap-4 py-1 text-[17px]"
              data-leaving
            >
              <UnitTag :tag="l.tag" small /><b class="min-w-0 flex-1 wrap-anywhere">{{ l.label }}</b
              ><span>saves {{ Math.floor(l.saves / 60) }} h {{ l.saves % 60 }} min</span>
            </p>
          </template>
          <h2 class="bg-bay px-5 py-1 text-[17px] font-bold">Whole at the earliest</h2>
          <RouterLink
            v-for="f in data.finishes"
            :key="f.job"
            :to="`/jobs/${f.job}/plan`"
            class="mx-5 grid min-h-[44px] grid-cols-[98px_1fr_auto] items-center gap-x-4 border-b-2 border-row py-1"
            data-finish
          >
            <UnitTag :tag="f.tag" small />
            <span class="min-w-0 leading-tight"
              ><b class="block truncate text-[17px]">{{ f.name }}</b
              ><span class="block truncate text-[15px] text-secondary">{{
                f.waits.length ? `waits for ${f.waits.join(", ")}` : f.chain.join(", then ")
              }}</span></span
            >
            <span class="text-[19px] font-bold" :class="f.late ? 'bg-danger px-2 text-on-danger' : ''"
              >{{ when(f.finish ?? "") || (f.waits.length ? "no day" : "–")
              }}{{ f.due ? `, due ${when(`${f.due}T17:00`)}` : "" }}</span
            >
          </RouterLink>
        </section>
      </div>
      <PageFoot
        v-model:help="help"
        :caution="data.cautions[0] ?? ''"
        :keys="[...KEYS, ...COMMON_KEYS]"
        :cautions="data.cautions"
      >
        <a ref="calendar" class="control" href="/api/today.ics" download
          >Calendar <span class="keycap">c</span></a
        >
        <button v-if="first" type="button" class="control control-main" data-main @click="toNext">
          A hand is free <span class="keycap">h</span>
        </button>
      </PageFoot>
    </main>
  </div>
</template>
