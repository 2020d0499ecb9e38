<script setup lang="ts">
/** Fits of a job: sizes, heat with its countdown, the press; each prepared by a sum, then done and written down. */
import { computed, ref, toRef } from "vue";
import { RouterLink, useRoute, useRouter } from "vue-router";
import { COMMON_KEYS, useStageKeys } from "../../composables/useStageKeys";
import JobFrame from "../../ui/JobFrame.vue";
import PageFoot from "../../ui/PageFoot.vue";
import SendingProblem from "../../ui/SendingProblem.vue";
import SayLine from "../../ui/SayLine.vue";
import WaitPage from "../WaitPage.vue";
import SceneMark from "../../marks/SceneMark.vue";
import FitActs from "./FitActs.vue";
import HeatPanel from "./HeatPanel.vue";
import PressPanel from "./PressPanel.vue";
import SizesBay from "./SizesBay.vue";
import SumPanel from "./SumPanel.vue";
import { useFit } from "./useFit";

const props = defineProps<{ job: string }>();
const route = useRoute();
const router = useRouter();
const desk = useFit(toRef(props, "job"));
const { view } = desk;
const help = ref<"keys" | "cautions" | null>(null);
const summing = ref<string | null>(typeof route.query["lay"] === "string" ? route.query["lay"] : null);
const typed = ref("");
const heat = ref<InstanceType<typeof HeatPanel> | null>(null);
const acts = ref<InstanceType<typeof FitActs> | null>(null);
const panel = ref<InstanceType<typeof SumPanel> | null>(null);
const chosen = computed(() => (typeof route.query["at"] === "string" ? route.query["at"] : ""));
const fit = computed(
  () =>
    view.value?.fits.find((f) => `${f.at}:${f.key}` === chosen.value) ??
    view.value?.fits.find((f) => f.open) ??
    view.value?.fits[0],
);
const at = computed(() =>
  chosen.value || fit.value ? chosen.value || `${fit.value?.at}:${fit.value?.key}` : "",
);
const choose = (to: string) => void router.replace({ query: { ...route.query, at: to } });
const say = computed(() => {
  const f = fit.value;
  if (!f) return [{ text: "No fit is prepared. Take a part, and reckon it.", move: false }];
  if (f.hot) return f.hot.say;
  if (f.push?.words) return [{ text: f.push.words, move: false }];
  return [{ text: f.laid.at(-1)?.said ?? "", move: false }];
});
async function lay(body: Record<string, unknown>) {
  if (!(await desk.write("reckoned", body))) return;
  panel.value?.clear();
  summing.value = null;
  const where = ["part", "place", "step"].find((key) => body[key]) ?? "part";
  void router.replace({ query: { at: `${where}:${String(body[where])}` } });
}
async function take(body: Record<string, unknown>) {
  if (await desk.write("heat_read", { ...body, fit: fit.value?.hot?.fact })) typed.value = "";
}
const point = (body: Record<string, unknown>) =>
  desk.write("push_read", { ...body, fit: fit.value?.push?.fact });
const KEYS: [string, string][] = [
  ["Enter", "What stands on the black button; with a temperature typed: take it"],
  ["=", "A sum at this part"],
  ["↑ ↓", "The fit before, the next"],
  ["a", "Cautions"],
];
function step(by: number) {
  const list = view.value?.fits ?? [];
  const n = list.findIndex((f) => f === fit.value);
  const next = list[(n + by + list.length) % list.length];
  if (next) choose(`${next.at}:${next.key}`);
}
useStageKeys((event, typing) => {
  if (help.value) return false;
  if (event.key === "?") help.value = "keys";
  else if (event.key === "a") help.value = "cautions";
  else if (summing.value !== null) {
    if (event.key === "Enter") panel.value?.lay();
    else if (event.key === "Escape") summing.value = null;
    else return false;
  } else if (event.key === "=") summing.value = "";
  else if (event.key === "Enter" && typing) heat.value?.take();
  else if (event.key === "Enter") acts.value?.main();
  else if (event.key === "ArrowDown") step(1);
  else if (event.key === "ArrowUp") step(-1);
  else return false;
  return true;
});
</script>

<template>
  <WaitPage v-if="!view" :problem="desk.query.error.value" />
  <JobFrame
    v-else
    :job="job"
    :tag="view.job.tag"
    :title="view.job.unit_name"
    :sub="fit ? `${fit.label} · ${fit.state}` : 'Presses, tapers, heat and torque'"
    here="fit"
  >
    <SumPanel v-if="summing !== null" ref="panel" :view="view" :at="at" :sum="summing" @lay="lay" />
    <template v-else>
      <SayLine
        :say="say"
        :eyebrow="fit?.label ?? 'Fit'"
        :head="fit?.hot?.head ?? ''"
        :aside="fit?.hot?.aside ?? ''"
        low
      />
      <nav
        v-if="view.fits.length > 1"
        class="flex flex-wrap gap-2 border-b-2 bg-bay px-5 py-2"
        aria-label="Fits"
      >
        <button
          v-for="f in view.fits"
          :key="f.at + f.key"
          type="button"
          class="control max-w-full min-w-0 flex-col items-start gap-0 wrap-anywhere"
          :class="f === fit ? 'control-main' : ''"
          :data-fit="f.key"
          @click="choose(`${f.at}:${f.key}`)"
        >
          {{ f.label }}<span class="text-[15px] font-medium">{{ f.state }}</span>
        </button>
      </nav>
      <div
        v-if="fit"
        class="grid flex-1 content-start lg:grid-cols-[392px_1fr]"
        :class="fit.hot && (fit.face || fit.push) ? 'xl:grid-cols-[392px_1fr_396px]' : ''"
      >
        <SizesBay
          :fit="fit"
          class="max-lg:order-last"
          @open="(s: string) => (summing = s)"
          @strike="desk.strike"
        />
        <HeatPanel
          v-if="fit.hot"
          :key="fit.hot.fact"
          ref="heat"
          v-model:typed="typed"
          :hot="fit.hot"
          :desk="desk"
          :hows="view.hows"
          @take="take"
        />
        <PressPanel v-if="fit.face || fit.push" :fit="fit" @point="point" />
        <section
          v-if="fit.scenes.length && !(fit.hot && (fit.face || fit.push))"
          class="min-w-0 px-5 py-3"
          aria-label="Drawn"
        >
          <SceneMark v-for="(s, i) in fit.scenes" :key="i" :scene="s" :gutter="134" />
          <RouterLink
            v-if="fit.at === 'step'"
            :to="`/jobs/${job}/plan/${fit.key}`"
            class="control mt-3"
            data-work-step
            >Work the step, bolt by bolt</RouterLink
          >
        </section>
      </div>
      <div v-else class="px-5 py-8 text-[18px]" data-empty>
        <p>
          Measure shaft and bore, then see how hot, how hard or how tight. What it says is kept at the part.
        </p>
        <button type="button" class="control control-main mt-4" @click="summing = ''">
          Reckon a fit <span class="keycap">=</span>
        </button>
      </div>
    </template>
    <SendingProblem :sending="desk" />
    <PageFoot
      v-model:help="help"
      :caution="view.cautions.slice(0, 2).join(' ')"
      :keys="[...KEYS, ...COMMON_KEYS]"
      :cautions="view.cautions"
    >
      <template v-if="summing !== null">
        <button type="button" class="control" @click="summing = null">
          Not now <span class="keycap">Esc</span>
        </button>
        <button
          type="button"
          class="control control-main"
          :disabled="!panel?.ready"
          data-lay
          @click="panel?.lay()"
        >
          Lay it down <span class="keycap">Enter</span>
        </button>
      </template>
      <template v-else-if="fit">
        <button type="button" class="control" @click="summing = ''">Sum <span class="keycap">=</span></button>
        <FitActs ref="acts" :fit="fit" :desk="desk" />
      </template>
    </PageFoot>
  </JobFrame>
</template>
