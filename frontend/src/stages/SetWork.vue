<script setup lang="ts">
/** The drawing bay on the left, the instrument on the right; panels open in the log's place. */
import { computed } from "vue";
import type { Expectation, Scene, SettingView } from "../api/client";
import PackMark from "../marks/PackMark.vue";
import SceneMark from "../marks/SceneMark.vue";
import StripMark from "../marks/StripMark.vue";
import CautionPanel from "../ui/CautionPanel.vue";
import MovePanel from "../ui/MovePanel.vue";
import SignPanel from "../ui/SignPanel.vue";
import SurprisePanel from "../ui/SurprisePanel.vue";
import WorkingPanel from "../ui/WorkingPanel.vue";
import type { Panel } from "./useSetPage";

const props = defineProps<{
  view: SettingView;
  panel: Panel;
  preview: Expectation | null;
  name: string;
  expect: (state: unknown) => Promise<Expectation>;
}>();
defineEmits<{
  done: [state: unknown, remark: string];
  cancel: [];
  preview: [shown: Expectation | null];
  answer: [cause: string, words: string];
  sign: [remark: string];
  read: [];
  toggleSum: [];
}>();
type Kind<T extends Scene["type"]> = Extract<Scene, { type: T }>;
const sheet = computed(() => props.view.sheet);
const of = <T extends Scene["type"]>(type: T): Kind<T>[] =>
  sheet.value.scenes.filter((s): s is Kind<T> => s.type === type);
const chosen = <T extends Scene["type"]>(type: T): Kind<T> | undefined =>
  (props.preview?.scenes.find((s) => s.type === type) as Kind<T> | undefined) ?? of(type)[0];
const strip = computed(() => chosen("strip"));
const pack = computed(() => chosen("pack"));
const proofs = computed(() => of("strip").slice(1));
const log = computed(() => (of("strip")[0]?.needle || sheet.value.round > 1 ? of("log")[0] : undefined));
const rest = computed(() => sheet.value.scenes.filter((s) => !["strip", "log", "pack"].includes(s.type)));
const inDrawer = computed(() => props.view.drawer.filter((d) => d.count !== 0));
const knob = computed(() => props.view.knobs[0]);
const checks = computed(() => sheet.value.outcome.checks.filter((c) => c.action !== "ask"));
const purpose = computed(() =>
  props.panel === "recount" ? "recount" : sheet.value.state_known ? "move" : "as_found",
);
</script>

<template>
  <div class="contents">
    <section
      style="--casing: var(--bay)"
      class="bg-bay px-5 py-2 max-md:order-3 md:row-start-2 md:border-r-2 lg:col-start-1 lg:row-start-1"
    >
      <h2 class="zone-head">{{ pack?.title ?? knob?.title ?? view.place }}</h2>
      <PackMark v-if="pack" :scene="pack" :height="proofs.length ? 170 : 258" />
      <p v-else-if="knob && !sheet.state_known" class="mt-3 text-[18px]">
        Not measured yet. What is in as found is the baseline: enter it before anything moves.
      </p>
      <SceneMark v-for="(s, i) in rest" :key="i" :scene="s" />
      <div v-for="p in proofs" :key="p.label" class="mt-2">
        <h2 class="zone-head">{{ p.label }}, {{ p.unit }}</h2>
        <StripMark :scene="p" compact />
      </div>
      <p v-if="inDrawer.length" class="text-[15px] leading-snug" data-drawer>
        <span class="mr-2 text-secondary">Drawer</span>
        <span v-for="d in inDrawer" :key="d.thickness" class="mr-2 inline-block whitespace-nowrap"
          ><strong>{{ d.label }}</strong> × {{ d.count }}</span
        >
      </p>
      <p class="text-[15px] leading-snug text-secondary" data-given-brief>
        {{ sheet.given_brief.join(" · ") }}
      </p>
    </section>
    <section
      class="flex min-w-0 flex-col px-5 py-3 max-md:order-1 max-lg:border-b-2 md:col-span-2 md:row-start-1 lg:col-span-1 lg:col-start-2"
    >
      <div class="relative">
        <button
          type="button"
          class="control absolute left-0 top-0 z-1"
          :aria-expanded="panel === 'working'"
          data-sum
          @click="$emit('toggleSum')"
        >
          <span class="text-[20px]">=</span> {{ panel === "working" ? "Close" : "Sum" }}
        </button>
        <StripMark v-if="strip" :scene="strip" :gutter="134" />
      </div>
      <WorkingPanel v-if="panel === 'working'" :results="sheet.outcome.results" class="mt-3" />
      <MovePanel
        v-else-if="(panel === 'move' || panel === 'recount') && knob"
        :knob="knob"
        :drawer="view.drawer"
        :move="sheet.move"
        :purpose="purpose"
        :round="sheet.round"
        :expect="expect"
        @done="(s, r) => $emit('done', s, r)"
        @cancel="$emit('cancel')"
        @preview="(p) => $emit('preview', p)"
      />
      <SurprisePanel
        v-else-if="panel === 'surprise' && sheet.surprise"
        :surprise="sheet.surprise"
        @answer="(c, w) => $emit('answer', c, w)"
      />
      <SignPanel
        v-else-if="panel === 'sign'"
        :sheet="sheet"
        :name="name"
        @sign="(r) => $emit('sign', r)"
        @cancel="$emit('cancel')"
      />
      <CautionPanel v-else-if="panel === 'cautions'" :cautions="sheet.cautions" @read="$emit('read')" />
      <template v-else>
        <SceneMark v-if="log" :scene="log" :gutter="134" />
      </template>
      <ul v-if="checks.length && panel === 'log'" class="mt-2 flex flex-col gap-1">
        <li
          v-for="c in checks"
          :key="c.code + c.sentence"
          class="border-l-4 pl-3"
          :class="c.severity === 'note' ? 'border-found' : 'border-danger font-semibold'"
        >
          {{ c.sentence }}
        </li>
      </ul>
    </section>
  </div>
</template>
