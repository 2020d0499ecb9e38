<script setup lang="ts">
/** The gauges that talk at the live station and, where a second one stands, at the other end. */
import { ref } from "vue";
import { giveKeysBack } from "../../composables/useKeys";
import PickBox from "../../ui/PickBox.vue";
import LivePanel from "./LivePanel.vue";
import type { SetPageState } from "./useSetPage";

const asking = ref(false);
const props = defineProps<{ page: SetPageState }>();
function hear(id: string | string[]) {
  props.page.heard.hearSecond(id);
  giveKeysBack();
}
const choices = (): [string, string][] => [
  ["", "none"],
  ...props.page.heard.couldBeSecond.map(([id, name]) => [id ?? "", name ?? ""] as [string, string]),
];
</script>

<template>
  <div v-if="page.heard.here" data-live-station>
    <LivePanel
      :gauge="page.heard.here"
      :refused="page.heard.refused[page.gauge]"
      :hint="!page.view?.traces.length"
      @press="page.heard.press()"
      @unit="(unit) => page.heard.meanUnit(page.gauge, unit)"
    />
    <LivePanel
      v-if="page.heard.there"
      name
      :gauge="page.heard.there"
      :refused="page.heard.refused[page.heard.second]"
      @press="page.heard.press()"
      @unit="(unit) => page.heard.meanUnit(page.heard.second, unit)"
    />
    <button
      v-if="page.heard.couldBeSecond.length && !page.heard.second && !asking"
      type="button"
      class="-mb-2 min-h-11 text-left text-[15px] text-secondary underline"
      data-second
      @click="asking = true"
    >
      a second gauge at the other end
    </button>
    <PickBox
      v-else-if="page.heard.couldBeSecond.length"
      :model-value="page.heard.second"
      name="second-gauge"
      label="At the other end"
      :options="choices()"
      @update:model-value="hear"
    />
  </div>
  <p
    v-else-if="page.heard.refused[page.gauge]"
    class="border-2 bg-surface px-2 py-0.5 text-[15px] font-bold text-danger"
    role="status"
    data-live-words
  >
    {{ page.heard.refused[page.gauge] }}
  </p>
</template>
