<script setup lang="ts">
/** A part on its way down in temperature: what is left, where it stands, what was read. */
import { computed, ref } from "vue";
import type { HotView } from "../../api/client";
import ReadoutMark from "../../marks/ReadoutMark.vue";
import SceneMark from "../../marks/SceneMark.vue";
import PickBox from "../../ui/PickBox.vue";
import RadioRow from "../../ui/RadioRow.vue";
import { clock, left, type FitDesk } from "./useFit";

const props = defineProps<{ hot: HotView; desk: FitDesk; hows: Record<string, string> }>();
const typed = defineModel<string>("typed", { required: true });
const emit = defineEmits<{ take: [body: Record<string, unknown>] }>();
const member = ref(props.hot.wants_shaft ? "shaft" : "hub");
const how = ref("probe");
const seconds = computed(() => {
  const now = props.desk.view.value?.now ?? "";
  return props.hot.ends ? left(props.hot.ends, now, props.desk.now.value) : 0;
});
const running = computed(() => props.hot.state === "hot");
const take = () => emit("take", { t: typed.value, member: member.value, how: how.value });
defineExpose({ take });
</script>

<template>
  <section class="min-w-0 px-5 py-3" aria-label="Heat" data-heat :data-state="hot.state">
    <div v-if="running" class="flex items-end gap-x-5 max-sm:flex-wrap">
      <span
        class="text-[92px] leading-none font-[750]"
        :class="seconds <= 0 ? 'text-danger' : ''"
        data-left
        >{{ clock(seconds) }}</span
      >
      <p class="min-w-0 pb-2 text-[20px] leading-tight font-bold">
        until it drags
        <span class="block text-[16px] font-medium text-secondary">{{
          hot.learned ? "in air, by its own two readings" : "in air, estimated short: read it again"
        }}</span>
      </p>
    </div>
    <ReadoutMark :scene="hot.rule" compact />
    <form
      v-if="['planned', 'hot', 'late', 'wrong', 'over'].includes(hot.state)"
      class="mt-3 flex flex-wrap items-end gap-3 border-t-2 pt-3"
      data-read-heat
      @submit.prevent="take"
    >
      <label class="w-[150px]"
        >At the bore, °C<input
          v-model="typed"
          class="field text-[24px] font-bold"
          name="t"
          inputmode="decimal"
          autocomplete="off"
          data-live
      /></label>
      <RadioRow
        v-model="member"
        name="member"
        label="Of the"
        :options="[
          ['hub', 'hub'],
          ['shaft', 'shaft'],
        ]"
      />
      <PickBox v-model="how" class="w-[240px]" name="how" label="Read by" :options="Object.entries(hows)" />
      <button type="submit" class="control" :disabled="!typed">
        {{ hot.state === "hot" ? "Read again" : "It is out" }} <span class="keycap">Enter</span>
      </button>
    </form>
    <SceneMark v-if="hot.log.rows.length" :scene="hot.log" class="mt-8" />
  </section>
</template>
