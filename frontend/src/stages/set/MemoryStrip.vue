<script setup lang="ts">
/** What other jobs of this type showed here, before the first reading. */
import { RouterLink } from "vue-router";
import type { SettingView } from "../../api/client";

defineProps<{ lines: SettingView["memory"] }>();
</script>

<template>
  <section
    v-if="lines.length"
    class="flex flex-wrap gap-x-8 gap-y-1 border-b-2 bg-bay px-5 py-2"
    aria-label="What this type showed"
    data-memory
  >
    <h2 class="zone-head">Other jobs of this type</h2>
    <p v-for="l in lines" :key="l.words" class="text-[16px]">
      {{ l.words }}
      <RouterLink
        v-for="(job, i) in l.jobs.slice(0, 3)"
        :key="job"
        class="ml-1 text-[15px] text-secondary underline"
        :to="`/jobs/${job}/record`"
        :aria-label="`record ${i + 1}`"
        >{{ i + 1 }}</RouterLink><span v-if="l.jobs.length > 3" class="ml-1 text-[15px] text-secondary"
        >+{{ l.jobs.length - 3 }}</span
      >
    </p>
  </section>
</template>
