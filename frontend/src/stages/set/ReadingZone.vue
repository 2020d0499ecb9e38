<script setup lang="ts">
/** Where digits are taken: the stations, what is asked about, and the main button. */
import AskedPanel from "./AskedPanel.vue";
import GaugeChoice from "./GaugeChoice.vue";
import { takenAbove } from "./layouts";
import LiveStation from "./LiveStation.vue";
import ReadingRow from "./ReadingRow.vue";
import type { SettingDesk } from "./useSetting";
import type { SetPageState } from "./useSetPage";

/** `narrow`: beside a rig's dial, where the station's words stand over the cells. */
const props = defineProps<{ page: SetPageState; desk: SettingDesk; narrow?: boolean }>();
function answer(what: { text?: string; confirmed?: boolean; void?: boolean }, id?: string) {
  const cell = props.page.asked;
  const entry = id ?? cell?.entries[0]?.id;
  if (cell && entry) void props.desk.entry({ slot: cell.slot, supersedes: entry, ...what });
}
</script>

<template>
  <section
    v-if="page.sheet"
    class="flex gap-4 bg-surface px-5 py-3 at-bench:sticky at-bench:bottom-[calc(var(--foot)+var(--refused))] at-bench:z-1 max-lg:flex-col max-md:order-2 md:col-start-2 md:row-start-2 lg:border-t-2"
    :class="narrow ? 'lg:col-start-2' : 'lg:col-span-2 lg:col-start-1'"
  >
    <ReadingRow
      :model-value="page.typed"
      class="min-w-0 flex-1"
      :cells="page.sheet.cells"
      :live="page.live"
      :correcting="page.picked !== null"
      :stacked="narrow"
      :above="takenAbove(page.sheet.layout)"
      @update:model-value="page.type"
      @pick="page.pick"
      :traces="page.view?.traces ?? []"
      @take="page.take"
    >
      <template #gauge>
        <GaugeChoice
          v-if="page.station"
          :key="page.station.slot"
          :model-value="page.gauge"
          :station="page.station"
          :name="page.gaugeName"
          @update:model-value="page.readWith"
        />
        <LiveStation :page="page" />
      </template>
      <template v-if="page.asked">
        <p class="mb-2 font-bold">Asked before it counts</p>
        <AskedPanel
          :cell="page.asked"
          @meant="(text) => answer({ text, confirmed: true })"
          @stands="answer({ text: page.asked.entries[0]!.as_typed, confirmed: true })"
          @strike="(id) => answer({ void: true }, id)"
        />
      </template>
      <p v-else class="text-[18px] font-bold">
        {{ page.standing }}
      </p>
    </ReadingRow>
    <button
      v-if="page.main"
      type="button"
      class="control control-main min-h-[72px] shrink-0 flex-col text-[20px] lg:min-h-[96px] lg:w-[132px]"
      data-main
      @click="page.main.run"
    >
      {{ page.main.label }} <span class="keycap">Enter</span>
    </button>
  </section>
</template>
