<script setup lang="ts">
/** Tools and gauges of the job: each gauge resolves its window, or which one does. */
import type { InspectView } from "../../api/client";

defineProps<{ view: InspectView }>();
</script>

<template>
  <div class="flex-1 px-5 py-3" data-gauges>
    <h2 class="zone-head">Each setting with its gauge and tools</h2>
    <p v-if="!view.gauges.length" class="mt-4 text-[20px]">Nothing is defined to be set in this job.</p>
    <ul>
      <li
        v-for="g in view.gauges"
        :key="g.setting"
        class="grid items-center gap-x-4 border-b-2 border-row py-3 md:grid-cols-[1fr_1fr_2fr]"
      >
        <span
          ><span class="block text-[20px] font-bold leading-tight">{{ g.setting }}</span
          ><span class="text-secondary">{{ g.tools.join(", ") }}</span></span
        >
        <span class="text-[18px]">{{ g.gauge }}</span>
        <span class="text-[18px]"
          ><span v-if="!g.enough" class="mark font-bold">not enough</span> {{ g.words }}</span
        >
      </li>
    </ul>
  </div>
</template>
