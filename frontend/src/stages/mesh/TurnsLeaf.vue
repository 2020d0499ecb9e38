<script setup lang="ts">
/** Every position with what it must give; the chosen one's power in the section; the count of turns. */
import { computed, nextTick, ref, watch } from "vue";
import type { TrainView } from "../../api/client";
import { useKeys } from "../../composables/useKeys";
import SectionMark from "../../marks/SectionMark.vue";
import VerdictMark from "../../marks/VerdictMark.vue";
import PickBox from "../../ui/PickBox.vue";
import RadioRow from "../../ui/RadioRow.vue";
import { typedNumber } from "../../ui/typedNumber";
import type { TrainDesk } from "./useTrain";

const props = defineProps<{ view: TrainView; desk: TrainDesk }>();
const WAYS: [string, string][] = [
  ["clockwise", "clockwise"],
  ["counter-clockwise", "counter-clockwise"],
  ["still", "stands still"],
  ["locks", "locks"],
];
const SHORT: Record<string, string> = { "counter-clockwise": "counter", "": "either way" };
const rows = computed(() => props.view.sheet.positions);
const firstOpen = () => rows.value.find((r) => r.state === "open")?.key ?? rows.value[0]?.key ?? "";
const chosen = ref(firstOpen());
const row = computed(() => rows.value.find((r) => r.key === chosen.value) ?? rows.value[0]);
const turned = ref("10");
const out = ref("");
const way = ref("");
const shaft = ref("");
watch(
  () => row.value?.key,
  () => {
    const now = row.value;
    turned.value = String(now?.turned ?? 10);
    if (!now?.outs.some((o) => o.shaft === shaft.value)) shaft.value = now?.outs[0]?.shaft ?? "";
  },
  { immediate: true },
);
const shafts = computed(() => row.value?.outs.map((o) => [o.shaft, o.label] as const) ?? []);
const section = computed(() => ({
  ...props.view.section,
  flags: [],
  flow: props.view.flows.find((f) => f.position === row.value?.key)?.flow ?? [],
}));
const rests = computed(() => way.value === "still" || way.value === "locks");
const ready = computed(() => way.value !== "" && (rests.value || out.value.trim() !== ""));
async function take() {
  if (!row.value || !ready.value || !shaft.value) return;
  const body = {
    at: row.value.at,
    shaft: shaft.value,
    turned: typedNumber(turned.value, row.value.turned),
    out: rests.value ? 0 : typedNumber(out.value, 0),
    way: way.value,
  };
  if (!(await props.desk.write("turns_counted", body))) return;
  out.value = "";
  way.value = "";
  await nextTick();
  chosen.value = firstOpen();
}
function step(by: number) {
  const at = rows.value.findIndex((r) => r.key === row.value?.key);
  chosen.value = rows.value[(at + by + rows.value.length) % rows.value.length]?.key ?? "";
}
const WAY_KEYS: Record<string, string> = { c: "clockwise", v: "counter-clockwise", s: "still", k: "locks" };
useKeys((event, typing) => {
  const wanted = WAY_KEYS[event.key];
  if (event.key === "ArrowDown" && !typing) step(1);
  else if (event.key === "ArrowUp" && !typing) step(-1);
  else if (event.key === "Enter" && ready.value) void take();
  else if (wanted) way.value = wanted;
  else return false;
  return true;
});
</script>

<template>
  <div v-if="row" class="grid flex-1 content-start lg:grid-cols-[1fr_452px]" data-train-turns>
    <section class="min-w-0 bg-bay" aria-label="Power flow">
      <SectionMark :scene="section" />
      <p v-if="!section.flow.length" class="px-5 pb-3 text-secondary">
        No power goes through in {{ row.label }}.
      </p>
    </section>
    <section class="border-l-2 max-lg:border-l-0 max-lg:border-t-2" aria-label="Positions">
      <form class="flex flex-col gap-2 border-b-2 px-4 py-2" @submit.prevent="take">
        <PickBox
          v-if="shafts.length > 1"
          v-model="shaft"
          name="out-shaft"
          label="Counted at"
          :options="shafts"
        />
        <div class="flex items-end gap-3">
          <p class="w-[92px] pb-1 text-[26px] leading-none font-bold wrap-anywhere">{{ row.label }}</p>
          <label class="w-[96px]"
            >Turns in<input
              v-model="turned"
              class="field"
              name="turned"
              inputmode="decimal"
              autocomplete="off"
          /></label>
          <label class="min-w-0 flex-1"
            >Turns out<input
              v-model="out"
              data-live
              class="field"
              name="out"
              inputmode="decimal"
              autocomplete="off"
              :disabled="rests"
          /></label>
        </div>
        <RadioRow v-model="way" :options="WAYS" name="way" label="It turned" />
        <button type="submit" class="control control-main" :disabled="!ready" data-take-count>
          Take it <span class="keycap">Enter</span>
        </button>
        <p
          v-if="row.state !== 'open' && row.state !== 'agrees'"
          class="text-[16px] font-semibold text-danger"
        >
          {{ row.words }}
        </p>
      </form>
      <ol>
        <li v-for="r in rows" :key="r.key" class="border-b-2 border-row">
          <button
            type="button"
            class="grid min-h-12 w-full cursor-pointer grid-cols-[92px_1fr_auto] items-center gap-x-3 px-4 text-left"
            :class="r.key === row.key ? 'bg-here text-on-here' : ''"
            :aria-current="r.key === row.key"
            :data-position="r.key"
            @click="chosen = r.key"
          >
            <b class="text-[20px] wrap-anywhere">{{ r.label }}</b>
            <span class="min-w-0 text-[16px]"
              ><span v-for="o in r.outs" :key="o.shaft" class="block"
                >{{ o.ratio
                }}<template v-if="o.turns"> · {{ o.turns }} {{ SHORT[o.way] ?? o.way }}</template></span
              ></span
            >
            <span class="bg-surface text-words"><VerdictMark :code="r.code" /></span>
            <span class="sr-only">{{ r.words }}</span>
          </button>
        </li>
      </ol>
    </section>
  </div>
  <p v-else class="px-5 py-6 text-[18px]" data-empty>
    Say at which shaft power comes in and at which it goes out:
    <RouterLink class="underline" :to="`/jobs/${view.job.id}/definition`">what it is made of</RouterLink>.
  </p>
</template>
