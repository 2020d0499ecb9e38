<script setup lang="ts">
/** One quantity: the drawing bay on the left, the instrument on the right; panels open in the log's place. */
import { computed } from "vue";
import LadderMark from "../../marks/LadderMark.vue";
import PackMark from "../../marks/PackMark.vue";
import ReadoutMark from "../../marks/ReadoutMark.vue";
import SceneMark from "../../marks/SceneMark.vue";
import DrawerLine from "./DrawerLine.vue";
import PanelStack from "./PanelStack.vue";
import SumButton from "./SumButton.vue";
import { useScenes } from "./useScenes";
import type { SettingDesk } from "./useSetting";
import type { SetPageState } from "./useSetPage";

const props = defineProps<{ page: SetPageState; desk: SettingDesk }>();
const { of, shown, rest } = useScenes(props.page);
const strip = computed(() => shown("readout")[0]);
const packs = computed(() => shown("pack"));
const proofs = computed(() => of("readout").slice(1));
const log = computed(() =>
  of("readout")[0]?.needle || (props.page.sheet?.round ?? 1) > 1 ? of("log")[0] : undefined,
);
/** A pack shares its bay with the strips of proofs, or with the thing itself. */
const packHigh = computed(() => (rest.value.length ? 130 : proofs.value.length ? 170 : 258));
const knob = computed(() => props.page.view?.knobs[0]);
</script>

<template>
  <div v-if="page.view && page.sheet" class="contents">
    <section
      style="--casing: var(--bay)"
      class="bg-bay px-5 py-2 max-md:order-3 md:row-start-2 md:border-r-2 lg:col-start-1 lg:row-start-1"
    >
      <h2 class="zone-head">{{ packs[0]?.title ?? knob?.title ?? page.view.place }}</h2>
      <PackMark v-for="p in packs" :key="p.title" :scene="p" :height="packHigh" />
      <p v-if="!packs.length && knob && !page.sheet.state_known" class="mt-3 text-[18px]">
        Not measured yet. What is in as found is the baseline: enter it before anything moves.
      </p>
      <SceneMark v-for="(s, i) in rest" :key="i" class="mb-3" :scene="s" />
      <div v-for="p in proofs" :key="p.label" class="mt-2">
        <h2 class="zone-head">{{ p.label }}, {{ p.unit }}</h2>
        <ReadoutMark :scene="p" compact />
      </div>
      <DrawerLine :knobs="page.view.knobs" />
      <p class="text-[15px] leading-snug text-secondary" data-given-brief>
        {{ page.sheet.given_brief.join(" · ") }}
      </p>
    </section>
    <section
      class="flex min-w-0 flex-col px-5 py-3 max-md:order-1 max-lg:border-b-2 md:col-span-2 md:row-start-1 lg:col-span-1 lg:col-start-2"
    >
      <div class="relative min-h-12">
        <SumButton class="absolute left-0 top-0 z-2" :page="page" />
        <ReadoutMark v-if="strip" :scene="strip" :gutter="134" :live="page.heard.here?.at" />
        <LadderMark v-for="l in of('ladder')" :key="l.label" class="mt-1" :scene="l" :gutter="134" />
      </div>
      <PanelStack :page="page" :desk="desk">
        <SceneMark v-if="log" :scene="log" :gutter="134" />
      </PanelStack>
    </section>
  </div>
</template>
