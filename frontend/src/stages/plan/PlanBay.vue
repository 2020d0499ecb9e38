<script setup lang="ts">
/** The section with what is in and what is to come, and below it the findings. */
import type { PlanView, StepView } from "../../api/client";
import SectionMark from "../../marks/SectionMark.vue";
import DueLine from "./DueLine.vue";
import FindingList from "./FindingList.vue";
import NeedList from "./NeedList.vue";
import type { PlanDesk } from "./usePlan";

const at = defineModel<number>({ required: true });
defineProps<{ view: PlanView; desk: PlanDesk; chosen: StepView | null }>();
defineEmits<{ answer: [row: string, field: string, value: string] }>();
</script>

<template>
  <aside class="flex w-full flex-col border-r-2 bg-bay lg:w-[336px] lg:shrink-0" aria-label="Findings">
    <p class="px-5 pt-2 text-[16px] font-semibold">
      Solid is in, <span class="text-secondary">dashed to come</span>
    </p>
    <SectionMark
      :scene="{ ...view.section, flags: [], labels: [] }"
      :states="view.part_states"
      close
      class="px-4 py-2"
    />
    <p v-if="!view.findings.length" class="border-t-2 px-5 py-3 text-[17px]">
      Nothing found against this order.
    </p>
    <FindingList v-else v-model="at" :findings="view.findings" class="border-t-2" />
    <ul v-if="view.asks.length" class="border-t-2 px-5 py-2 text-[16px]" data-asks>
      <li v-for="a in view.asks" :key="a.row + a.field" class="py-1">
        <b>{{ a.words }}</b>
        <span class="mt-1 flex flex-wrap gap-2">
          <button
            v-for="[value, words] in a.options"
            :key="value"
            type="button"
            class="control min-h-11 px-3 text-[16px]"
            :data-answer="value"
            @click="$emit('answer', a.row, a.field, value ?? '')"
          >
            {{ words }}
          </button>
        </span>
      </li>
    </ul>
    <NeedList v-if="chosen" :view="view" :desk="desk" :step="chosen" />
    <DueLine :view="view" :desk="desk" />
  </aside>
</template>
