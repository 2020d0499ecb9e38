<script setup lang="ts">
/** Both packs tried out before anything is taken apart: the contact follows, the chance stands beside it. */
import { computed, ref, toRef } from "vue";
import { useRouter } from "vue-router";
import { useKept } from "../../composables/useKept";
import { useKeys } from "../../composables/useKeys";
import { nextTheme } from "../../composables/useTheme";
import FlankMark from "../../marks/FlankMark.vue";
import PackRow from "../../marks/PackRow.vue";
import ReadoutMark from "../../marks/ReadoutMark.vue";
import SliderMark from "../../marks/SliderMark.vue";
import JobFrame from "../../ui/JobFrame.vue";
import PageFoot from "../../ui/PageFoot.vue";
import SayLine from "../../ui/SayLine.vue";
import { draftOf, type Draft } from "../set/drafts";
import FlankLegend from "../set/FlankLegend.vue";
import { useSetting } from "../set/useSetting";
import WaitPage from "../WaitPage.vue";
import { useTriedScenes } from "./useTriedScenes";
import { useWhatIf } from "./useWhatIf";

const props = defineProps<{ job: string; setting: string }>();
const router = useRouter();
const desk = useSetting(toRef(props, "setting"));
const tool = useWhatIf(toRef(props, "setting"));
const head = computed(() => desk.view.value);
const help = ref<"keys" | "cautions" | null>(null);
const loads = ref(true);
const layer = ref(0);
const KEYS: [string, string][] = [
  ["← →", "to the next pack that the drawer makes"],
  ["Tab", "the other adjuster"],
  ["Home", "what is advised"],
  ["l", "under load, or not"],
  ["v", "one layer at a time"],
  ["Enter", "make it the move"],
  ["Esc", "back to the pair"],
];
const back = () => void router.push(`/jobs/${props.job}/set/${props.setting}`);
const { flanks, readout, odds, say } = useTriedScenes(tool, layer);
/** What is tried out is opened as the move: nothing is written before the mechanic says that it was done. */
const drafts = useKept<Record<string, Draft>>(
  () => `move.${props.setting}.${head.value?.sheet.round ?? 1}.drafts`,
  {},
);
function make() {
  const chosen = new Map(tool.view.value?.sliders.map((s, k) => [s.key, s.places[tool.at.value[k] ?? 0]]));
  drafts.value = Object.fromEntries(
    (head.value?.knobs ?? []).map((k) => [k.key, draftOf(k, chosen.get(k.key)?.state ?? k.state)]),
  );
  void router.push({ path: `/jobs/${props.job}/set/${props.setting}`, hash: "#move" });
}
useKeys((event, typing) => {
  if (typing) return false;
  const run: Record<string, () => void> = {
    l: () => (loads.value = !loads.value),
    v: () => (layer.value = (layer.value + 1) % 3),
    Home: tool.best,
    Enter: make,
    Escape: back,
    a: () => (help.value = "cautions"),
    t: nextTheme,
    b: () => void router.push("/"),
    "?": () => (help.value = "keys"),
  };
  const found = run[event.key];
  if (!found || event.repeat || help.value) return false;
  found();
  return true;
});
const lands = (k: number) => {
  const [p, q] = tool.at.value;
  const rows = tool.view.value?.lands ?? [];
  return k === 0 ? rows.map((r) => r[q] === "1") : [...(rows[p] ?? "")].map((c) => c === "1");
};
</script>

<template>
  <WaitPage v-if="!tool.view.value || !head" :problem="tool.query.error.value ?? desk.query.error.value" />
  <JobFrame
    v-else
    :job="job"
    :tag="head.job.tag"
    :title="head.job.unit_name"
    :sub="`${head.label} · what if`"
    here="mesh"
  >
    <SayLine
      :say="say"
      eyebrow="What if, both packs in one teardown"
      :head="odds"
      :aside="tool.trouble.value || tool.view.value.because"
    />
    <div class="grid flex-1 grid-cols-1 content-start lg:grid-cols-[1fr_450px]">
      <section class="min-w-0 px-5 py-2">
        <div class="grid grid-cols-1 gap-x-5 sm:grid-cols-2" data-no-load>
          <FlankMark v-for="f in flanks" :key="f.side" :scene="f" small />
        </div>
        <div v-if="loads" class="grid grid-cols-1 gap-x-5 sm:grid-cols-2" data-loaded>
          <FlankMark v-for="f in tool.tried.value?.loaded ?? []" :key="f.label" :scene="f" small />
          <p v-if="tool.tried.value && !tool.tried.value.loaded.length" class="text-secondary">
            Under load: it wants the torque, the teeth and which way the packs work, under Given.
          </p>
        </div>
        <FlankLegend :flanks="flanks" />
        <ReadoutMark v-if="readout" class="mt-1" :scene="readout" compact :gutter="110" />
      </section>
      <section style="--casing: var(--bay)" class="bg-bay px-5 py-2 lg:border-l-2">
        <div v-for="(s, k) in tool.view.value.sliders" :key="s.key" class="mb-1 border-b-2 border-row">
          <h2 class="flex items-baseline justify-between">
            <span class="zone-head">{{ s.title }}</span>
            <span class="text-[40px] font-bold leading-none" :data-value-of="s.key">{{
              s.places[tool.at.value[k] ?? 0]?.label
            }}</span>
          </h2>
          <SliderMark
            :scene="s"
            :at="tool.at.value[k] ?? 0"
            :first="k === 0"
            :lands="lands(k)"
            :label="`${s.title}: arrows go to the next pack`"
            @put="(i) => tool.put(k === 0 ? 0 : 1, i)"
            @step="(by) => tool.step(k === 0 ? 0 : 1, by)"
            @best="tool.best"
          />
        </div>
        <p v-if="tool.view.value.spiral_words" class="text-[15px] text-secondary">
          {{ tool.view.value.spiral_words }}
        </p>
        <p v-if="!tool.view.value.lands.some((row) => row.includes('1'))" class="font-bold" data-none-lands>
          No pair of packs lands both: the nearest is shown.
        </p>
        <p v-for="a in tool.tried.value?.alone ?? []" :key="a" class="text-[16px] font-semibold" data-alone>
          {{ a }}
        </p>
        <PackRow v-for="p in tool.tried.value?.packs ?? []" :key="p.title" :scene="p" class="mb-1" />
      </section>
    </div>
    <PageFoot
      v-model:help="help"
      caution="A model, not a measurement: paint and read after the move. Turn by hand, fingers clear."
      :keys="KEYS"
      :cautions="head.sheet.cautions"
    >
      <button type="button" class="control" @click="tool.best">Best <span class="keycap">Home</span></button>
      <button type="button" class="control" :aria-pressed="loads" @click="loads = !loads">
        Load <span class="keycap">l</span>
      </button>
      <button type="button" class="control" @click="layer = (layer + 1) % 3">
        One layer <span class="keycap">v</span>
      </button>
      <button type="button" class="control" @click="back">Back <span class="keycap">Esc</span></button>
      <button type="button" class="control control-main" data-make @click="make">
        Make this the move <span class="keycap">Enter</span>
      </button>
    </PageFoot>
  </JobFrame>
</template>
