<script setup lang="ts">
/** Several quantities set in one teardown: every strip under the next, every pack beside the other. */
import { computed } from "vue";
import PackRow from "../../marks/PackRow.vue";
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
const strips = computed(() => shown("readout"));
const packs = computed(() => shown("pack"));
const tables = computed(() => of("table"));
const drawings = computed(() => rest.value.filter((s) => s.type !== "table"));
const logs = computed(() => of("log").filter((l) => l.rows.length > 1));
</script>

<template>
  <div v-if="page.view && page.sheet" class="contents" data-layout="side_by_side">
    <section
      style="--casing: var(--bay)"
      class="bg-bay px-5 py-2 max-md:order-3 md:row-start-2 md:border-r-2 lg:col-start-1 lg:row-start-1"
    >
      <PackRow v-for="p in packs" :key="p.title" :scene="p" class="mb-3" />
      <p v-if="!packs.length && !page.sheet.state_known" class="mt-3 text-[18px]">
        Not measured yet. What is in as found is the baseline: enter it before anything moves.
      </p>
      <SceneMark v-for="(s, i) in drawings" :key="i" class="mb-3" :scene="s" />
      <DrawerLine :knobs="page.view.knobs" />
      <p class="text-[15px] leading-snug text-secondary" data-given-brief>
        {{ page.sheet.given_brief.join(" · ") }}
      </p>
    </section>
    <section
      class="flex min-w-0 flex-col px-5 py-3 max-md:order-1 max-lg:border-b-2 md:col-span-2 md:row-start-1 lg:col-span-1 lg:col-start-2"
    >
      <div class="grid grid-cols-1 gap-x-6 xl:grid-cols-2">
        <div v-for="s in strips" :key="s.label" class="min-w-0">
          <h2 class="zone-head">{{ s.label }}{{ s.unit ? `, ${s.unit}` : "" }}</h2>
          <ReadoutMark :scene="s" compact />
        </div>
        <SumButton class="self-end justify-self-end" :page="page" />
      </div>
      <PanelStack :page="page" :desk="desk">
        <div class="mt-2 grid grid-cols-1 gap-x-6 xl:grid-cols-2">
          <div v-for="l in logs" :key="l.label" class="min-w-0">
            <h2 class="zone-head">{{ l.label }}</h2>
            <SceneMark :scene="l" />
          </div>
        </div>
        <SceneMark v-for="t in tables" :key="t.label" :scene="t" class="mt-3 max-w-[640px]" />
      </PanelStack>
    </section>
  </div>
</template>
