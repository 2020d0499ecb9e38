<script setup lang="ts">
/** A pair set by packs at two members: the two flanks large, backlash under them, packs and the wheel beside. */
import { computed, ref } from "vue";
import { RouterLink } from "vue-router";
import CircleMark from "../../marks/CircleMark.vue";
import FlankMark from "../../marks/FlankMark.vue";
import PackRow from "../../marks/PackRow.vue";
import ReadoutMark from "../../marks/ReadoutMark.vue";
import SceneMark from "../../marks/SceneMark.vue";
import DrawerLine from "./DrawerLine.vue";
import FlankLegend from "./FlankLegend.vue";
import PaintZone from "./PaintZone.vue";
import PanelStack from "./PanelStack.vue";
import SumButton from "./SumButton.vue";
import { useScenes } from "./useScenes";
import type { SettingDesk } from "./useSetting";
import type { SetPageState } from "./useSetPage";

const props = defineProps<{ page: SetPageState; desk: SettingDesk }>();
const { of, shown } = useScenes(props.page);
const flanks = computed(() => shown("flank"));
const strip = computed(() => shown("readout")[0]);
const packs = computed(() => shown("pack"));
const wheel = computed(() => of("circle")[0]);
const log = computed(() => of("log")[0]);
const painting = computed(() =>
  props.page.liveCell?.accepts === "paint" ? String(props.page.liveCell.axes["flank"] ?? "") : "",
);
const whatIf = computed(() => props.page.view && props.page.sheet?.what_if && props.page.sheet.move?.best);
/** While the teeth are read around, the wheel stands first. */
const turning = computed(() => props.page.liveCell?.axes["tooth"] !== undefined);
const SAID = ["pattern"];
const words = computed(() =>
  props.page.sheet?.outcome.checks
    .filter((c) => SAID.includes(c.code))
    .map((c) => c.sentence)
    .join(" "),
);
const rounds = ref(false);
</script>

<template>
  <div v-if="page.view && page.sheet" class="contents" data-layout="mesh">
    <section
      style="--casing: var(--bay)"
      class="bg-bay px-5 py-2 max-md:order-3 md:row-start-2 lg:col-start-2 lg:row-start-1 lg:border-l-2"
    >
      <CircleMark v-if="wheel && turning" :scene="wheel" class="mx-auto max-w-[250px]" />
      <PackRow v-for="p in packs" :key="p.title" :scene="p" class="mb-2" />
      <p v-if="!packs.length && !page.sheet.state_known" class="mb-3 text-[18px]">
        Not measured yet. What is in as found is the baseline: enter it before anything moves.
      </p>
      <DrawerLine :knobs="page.view.knobs" />
      <template v-if="wheel && !turning">
        <CircleMark :scene="wheel" class="mx-auto max-w-[250px] lg:[@media(max-height:880px)]:hidden" />
        <p class="mb-2 hidden text-[16px] font-semibold lg:[@media(max-height:880px)]:block" data-wheel-words>
          {{ wheel.label }}: {{ wheel.rays.map((r) => r.label).join(", ") }}
        </p>
      </template>
      <p class="text-[15px] leading-snug text-secondary" data-given-brief>
        {{ page.sheet.given_brief.join(" · ") }}
      </p>
    </section>
    <section
      class="flex min-w-0 flex-col px-5 py-2 lg:py-1 max-md:order-1 max-lg:border-b-2 md:col-span-2 md:row-start-1 lg:col-span-1 lg:col-start-1"
    >
      <div class="grid grid-cols-1 gap-x-5" :class="painting ? 'lg:grid-cols-[1.7fr_1fr]' : 'sm:grid-cols-2'">
        <template v-for="f in flanks" :key="f.side">
          <PaintZone v-if="painting === f.side" class="order-first" :page="page" :scene="f" />
          <FlankMark v-else :scene="f" />
        </template>
      </div>
      <FlankLegend :flanks="flanks" />
      <p v-if="words" class="text-[16px] font-semibold leading-snug" data-pattern-words>{{ words }}</p>
      <div class="mt-1 flex gap-3 border-t-2 border-row pt-1 max-sm:flex-col sm:items-end">
        <ReadoutMark v-if="strip" class="min-w-0 flex-1" :scene="strip" compact :gutter="110" />
        <div class="flex shrink-0 gap-1 pb-1 sm:flex-col">
          <SumButton :page="page" />
          <button v-if="log" type="button" class="control" :aria-expanded="rounds" @click="rounds = !rounds">
            Rounds
          </button>
          <RouterLink
            v-if="whatIf"
            class="control"
            :to="`/jobs/${page.view.job.id}/set/${page.view.id}/what-if`"
            data-what-if
            >What if <span class="keycap">w</span></RouterLink
          >
        </div>
      </div>
      <div :class="page.shownPanel === 'log' ? '' : 'order-first'">
        <PanelStack :page="page" :desk="desk" :said="SAID">
          <SceneMark v-if="log && rounds" :scene="log" :gutter="110" />
        </PanelStack>
      </div>
    </section>
  </div>
</template>
