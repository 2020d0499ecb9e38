<script setup lang="ts">
/** The next stage begun: the unit type's own, or one of the mechanic's. */
import { computed, reactive, ref } from "vue";
import type { ProveView } from "../../api/client";
import { typedNumber } from "../../ui/typedNumber";
import type { ProveDesk } from "./useProve";

const props = defineProps<{ view: ProveView; desk: ProveDesk }>();
const stage = computed(() => props.view.running.stages.find((s) => s.key === props.view.running.next));
const mine = ref(!stage.value);
const own = reactive({ label: "", words: "", minutes: "30", limit: "", source: "" });
const ambient = ref("");
const hottest = ref("");
const begin = () => {
  const about = mine.value
    ? { ...own, minutes: typedNumber(own.minutes, 0) }
    : { stage: stage.value?.key ?? "", label: "", minutes: 0, limit: "", source: "" };
  return props.desk.write("run_begun", { ...about, ambient: ambient.value, hottest: hottest.value });
};
const STATE: Record<string, string> = {
  open: "to run",
  running: "runs",
  done: "run to its end",
  stopped: "stopped",
};
</script>

<template>
  <form
    class="grid gap-x-8 gap-y-4 px-5 py-4 lg:grid-cols-[1fr_420px]"
    data-run-begin
    @submit.prevent="begin"
  >
    <div class="min-w-0">
      <h2 class="zone-head">Stages</h2>
      <ol v-if="view.running.stages.length">
        <li
          v-for="(s, i) in view.running.stages"
          :key="s.key"
          class="grid grid-cols-[40px_1fr_auto] items-center gap-3 border-b-2 border-row py-2"
          :class="s.key === view.running.next && !mine ? 'bg-here px-2 text-on-here' : ''"
        >
          <span class="text-[24px] font-bold">{{ i + 1 }}</span>
          <span
            ><strong class="text-[18px]">{{ s.label }}</strong
            ><br />{{ s.words }}, {{ s.minutes }} min; limit {{ s.limit }} ({{ s.source }})</span
          >
          <span class="font-semibold">{{ STATE[s.state] }}</span>
        </li>
      </ol>
      <p v-else class="py-2 text-[18px]">
        This type names no stages. Run it in by one of your own, with a limit and where it comes from.
      </p>
    </div>
    <div class="flex flex-col gap-3">
      <h2 class="zone-head">{{ mine ? "A stage of your own" : stage ? `Begin: ${stage.label}` : "" }}</h2>
      <div v-if="mine" class="grid gap-3 sm:grid-cols-2">
        <label>What<input v-model="own.label" class="field" name="label" required maxlength="60" /></label>
        <label>Speed or load<input v-model="own.words" class="field" name="speed" maxlength="120" /></label>
        <label
          >Minutes<input v-model="own.minutes" class="field" name="minutes" inputmode="decimal" required
        /></label>
        <label
          >Limit of a bearing, °C<input
            v-model="own.limit"
            class="field"
            name="limit"
            inputmode="decimal"
            required
        /></label>
        <label class="sm:col-span-2"
          >Where the limit comes from<input
            v-model="own.source"
            class="field"
            name="source"
            required
            maxlength="120"
        /></label>
      </div>
      <label
        >Surroundings, °C<input
          v-model="ambient"
          class="field text-[24px] font-bold"
          name="ambient"
          inputmode="decimal"
          autocomplete="off"
          required
          data-live
      /></label>
      <label v-if="view.running.cooling"
        >Hottest bearing now, °C<input
          v-model="hottest"
          class="field text-[24px] font-bold"
          name="hottest"
          inputmode="decimal"
          autocomplete="off"
          required
      /></label>
      <div class="flex flex-wrap gap-3">
        <button type="submit" class="control control-main min-h-[64px] flex-1 text-[20px]">
          It runs now
        </button>
        <button v-if="stage" type="button" class="control" @click="mine = !mine">
          {{ mine ? "The type's stage" : "One of my own" }}
        </button>
      </div>
    </div>
  </form>
</template>
