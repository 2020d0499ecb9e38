<script setup lang="ts">
/** What units owe: put off in their jobs, until it is done. */
import { RouterLink } from "vue-router";
import type { BoardView } from "../api/client";
import UnitTag from "../ui/UnitTag.vue";

defineProps<{ due: BoardView["due"]; more: number }>();
</script>

<template>
  <section data-due-band>
    <h2 class="flex items-center gap-4 bg-bay px-5 py-1.5 text-[17px] font-bold">
      <span class="hatch h-4 w-12 border-2" aria-hidden="true"></span>Put off<span
        class="font-medium text-secondary"
        >stays with the unit until it is done</span
      >
    </h2>
    <RouterLink
      v-for="d in due"
      :key="d.fact"
      :to="d.open_job ? `/jobs/${d.job_id}/prove?zone=after` : `/units/${d.unit_id}?zone=owed`"
      class="grid items-center gap-x-4 border-b-2 border-row px-5 py-2 md:grid-cols-[98px_220px_1fr_auto]"
      data-due-row
    >
      <UnitTag :tag="d.tag" small />
      <span class="truncate text-[17px] font-bold">{{ d.unit_name }}</span>
      <span class="min-w-0"
        ><span class="block text-[18px] font-[660] wrap-anywhere">{{ d.what }}</span
        ><span class="block truncate text-secondary">{{ d.who }}: {{ d.why }}</span></span
      >
      <span class="text-[18px] font-bold" :class="d.late ? 'text-danger' : ''"
        >{{ d.late ? "late, " : "" }}until {{ d.until }}</span
      >
    </RouterLink>
    <p v-if="more" class="px-5 py-2 text-secondary">and {{ more }} more</p>
  </section>
</template>
