<script setup lang="ts">
/** Sums for a quick answer without a job: what is typed is answered at once, line by line. */
import { useQuery } from "@tanstack/vue-query";
import { computed, ref } from "vue";
import { RouterLink, useRouter } from "vue-router";
import { api, unwrap } from "../api/client";
import { useKept } from "../composables/useKept";
import { COMMON_KEYS, useStageKeys } from "../composables/useStageKeys";
import { useSum } from "../composables/useSum";
import type { FormDraft } from "../composables/useForm";
import FormFields from "../ui/FormFields.vue";
import PageFoot from "../ui/PageFoot.vue";
import PickBox from "../ui/PickBox.vue";
import RadioRow from "../ui/RadioRow.vue";
import SayLine from "../ui/SayLine.vue";
import ShopHeader from "../ui/ShopHeader.vue";
import SumAnswer from "../ui/SumAnswer.vue";
import { draftKey } from "../ui/sumDraft";
import { sayOf } from "../ui/sumSay";
import WorkingPanel from "../ui/WorkingPanel.vue";
import WaitPage from "../stages/WaitPage.vue";

const props = defineProps<{ kind?: string }>();
const router = useRouter();
const { data, error } = useQuery({ queryKey: ["sums"], queryFn: () => unwrap(api.GET("/api/sums")) });
const kind = computed(() => props.kind || (data.value?.[0]?.kind ?? ""));
const groups = computed(() => [...new Set(data.value?.map((s) => s.group) ?? [])]);
const unit = useKept<string>("sum.unit", "mm");
const draft = useKept<FormDraft>(() => draftKey("", kind.value), {});
const { view, trouble } = useSum(
  () => kind.value,
  () => unit.value,
  draft,
);
const say = computed(() => (view.value ? sayOf(view.value) : []));
const loose = computed(() => view.value?.problems[""] ?? "");
const help = ref<"keys" | "cautions" | null>(null);
const KEYS: [string, string][] = [
  ["↑ ↓", "The sum before, the next"],
  ["c", "Clear it"],
  ["a", "Cautions"],
];
function go(by: number) {
  const list = data.value ?? [];
  const next = list[(list.findIndex((s) => s.kind === kind.value) + by + list.length) % list.length];
  if (next) void router.replace(`/sums/${next.kind}`);
}
const board = useQuery({ queryKey: ["board"], queryFn: () => unwrap(api.GET("/api/board")) });
const jobs = computed(() =>
  (board.data.value?.rows ?? []).map((r) => [r.job_id, `${r.tag} ${r.name}`] as const),
);
const into = ref("");
/** The sum goes on into a job as it is typed; there it is laid at a part, a place or a step. */
function toJob() {
  useKept<FormDraft>(draftKey(into.value, kind.value), {}).value = { ...draft.value };
  void router.push(`/jobs/${into.value}/fit?lay=${kind.value}`);
}
const clear = () => (draft.value = {});
useStageKeys((event) => {
  if (help.value) return false;
  if (event.key === "?") help.value = "keys";
  else if (event.key === "a") help.value = "cautions";
  else if (event.key === "c") clear();
  else if (event.key === "ArrowDown") go(1);
  else if (event.key === "ArrowUp") go(-1);
  else return false;
  return true;
});
</script>

<template>
  <div class="flex min-h-full flex-col">
    <ShopHeader title="Sums" sub="fits, heat, presses, torque, gears, without a job" />
    <WaitPage v-if="!data || !view" bare :problem="error" />
    <main v-else class="flex flex-1 flex-col">
      <SayLine
        :say="say"
        :eyebrow="view.title"
        :head="view.answer?.head ?? ''"
        :aside="view.answer?.aside ?? ''"
        low
      />
      <div class="grid flex-1 content-start lg:grid-cols-[270px_1fr]">
        <nav class="bg-bay px-5 py-3 lg:border-r-2" aria-label="The sums">
          <PickBox
            class="lg:hidden"
            :model-value="kind"
            name="sum"
            label="The sum"
            :options="data.map((s) => [s.kind, s.title] as const)"
            @update:model-value="(k: string) => router.replace(`/sums/${k}`)"
          />
          <div v-for="g in groups" :key="g" class="mt-3 first:mt-0 max-lg:hidden">
            <h2 class="zone-head">{{ g }}</h2>
            <RouterLink
              v-for="s in data.filter((x) => x.group === g)"
              :key="s.kind"
              :to="`/sums/${s.kind}`"
              replace
              class="flex min-h-11 items-center border-b-2 border-row px-2 text-[17px] leading-tight font-semibold"
              :class="s.kind === kind ? 'bg-here text-on-here' : ''"
              :data-sum="s.kind"
              >{{ s.title }}</RouterLink
            >
          </div>
          <RadioRow
            v-model="unit"
            class="mt-4"
            name="unit"
            label="Bare numbers of a length"
            :options="[
              ['mm', 'mm'],
              ['thou', 'thou'],
            ]"
          />
          <div v-if="view.answer" class="mt-3 flex flex-col gap-2" data-into-job>
            <PickBox v-model="into" name="job" label="Lay it into a job" :options="jobs" />
            <button type="button" class="control" :disabled="!into" @click="toJob">Go there with it</button>
          </div>
        </nav>
        <div class="grid min-w-0 content-start gap-6 px-5 py-4 xl:grid-cols-[1fr_1fr]">
          <section aria-label="What is known">
            <p v-if="loose || trouble" class="mb-3 text-[18px] font-bold text-danger" role="alert">
              {{ loose || trouble }}
            </p>
            <FormFields v-model="draft" :fields="view.fields" :problems="view.problems" plain narrow />
          </section>
          <section class="min-w-0" aria-label="What comes out" aria-live="polite">
            <SumAnswer v-if="view.answer" :answer="view.answer" />
          </section>
          <WorkingPanel v-if="view.answer" class="xl:col-span-2" :results="view.answer.outcome.results" />
        </div>
      </div>
      <PageFoot
        v-model:help="help"
        :caution="view.cautions[0] ?? ''"
        :keys="[...KEYS, ...COMMON_KEYS]"
        :cautions="view.cautions"
      >
        <button type="button" class="control" @click="clear">Clear <span class="keycap">c</span></button>
      </PageFoot>
    </main>
  </div>
</template>
