<script setup lang="ts">
/** The section with what is in and what is to come, and below it the findings. */
import type { PlanView } from "../../api/client";
import SectionMark from "../../marks/SectionMark.vue";
import FindingList from "./FindingList.vue";

const at = defineModel<number>({ required: true });
defineProps<{ view: PlanView }>();
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
        {{ a.words }}
      </li>
      <li class="py-1">
        <RouterLink class="font-semibold underline" :to="`/jobs/${view.job.id}/definition`"
          >Answer in this job's own definition</RouterLink
        >
      </li>
    </ul>
  </aside>
</template>
