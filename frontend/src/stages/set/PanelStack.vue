<script setup lang="ts">
/** What opens in the log's place: the sum, the move, the surprise, the signature, the cautions. */
import { computed } from "vue";
import WorkingPanel from "../../ui/WorkingPanel.vue";
import CautionPanel from "./CautionPanel.vue";
import MovePanel from "./MovePanel.vue";
import SignPanel from "./SignPanel.vue";
import SurprisePanel from "./SurprisePanel.vue";
import type { SettingDesk } from "./useSetting";
import type { SetPageState } from "./useSetPage";

const props = defineProps<{
  page: SetPageState;
  desk: SettingDesk;
  /** Codes of checks that the layout says elsewhere. */ said?: string[];
}>();
const view = computed(() => props.page.view);
const sheet = computed(() => props.page.sheet);
const panel = computed(() => props.page.shownPanel);
const checks = computed(
  () => sheet.value?.outcome.checks.filter((c) => c.action !== "ask" && !props.said?.includes(c.code)) ?? [],
);
const purpose = computed(() =>
  panel.value === "recount" ? "recount" : sheet.value?.state_known ? "move" : "as_found",
);
</script>

<template>
  <template v-if="view && sheet">
    <WorkingPanel v-if="panel === 'working'" :results="sheet.outcome.results" class="mt-3" />
    <MovePanel
      v-else-if="(panel === 'move' || panel === 'recount') && view.knobs.length"
      :knobs="view.knobs"
      :move="sheet.move"
      :purpose="purpose"
      :round="sheet.round"
      :expect="desk.expect"
      :keep="`${purpose}.${view.id}.${sheet.round}`"
      :seed="page.seed"
      @done="page.done"
      @cancel="page.close"
      @preview="page.show"
    />
    <SurprisePanel
      v-else-if="panel === 'surprise' && sheet.surprise"
      :surprise="sheet.surprise"
      :keep="view.id"
      @answer="page.answer"
    />
    <SignPanel
      v-else-if="panel === 'sign'"
      :sheet="sheet"
      :name="page.name"
      :keep="`${view.id}.${sheet.round}`"
      @sign="page.sign"
      @cancel="page.close"
    />
    <CautionPanel v-else-if="panel === 'cautions'" :cautions="sheet.cautions" />
    <slot v-else />
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
  </template>
</template>
