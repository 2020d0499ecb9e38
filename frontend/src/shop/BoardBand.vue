<script setup lang="ts">
import { RouterLink } from "vue-router";
import type { BoardRow } from "../api/client";
import ReadoutMark from "../marks/ReadoutMark.vue";
import VerdictMark from "../marks/VerdictMark.vue";
import UnitTag from "../ui/UnitTag.vue";

defineProps<{ title: string; sub: string; texture: string; rows: BoardRow[] }>();
const words = (row: BoardRow) => row.say.map((s) => s.text).join("");
const lead = (row: BoardRow) => row.settings.find((s) => s.id === row.setting_id);
const to = (row: BoardRow) =>
  row.band === "done" ? `/jobs/${row.job_id}/prove` : `/jobs/${row.job_id}/set/${row.setting_id}`;
const small = (row: BoardRow) =>
  row.waits_for
    ? `Waits for ${row.waits_for}.`
    : row.band === "done"
      ? "Waits for nothing."
      : `${row.setting_label}. Waits for hands.`;
</script>

<template>
  <section>
    <h2 class="flex items-center gap-4 bg-bay px-5 py-1.5 text-[17px] font-bold">
      <span class="h-4 w-12" :class="texture" aria-hidden="true"></span>{{ title
      }}<span class="font-medium text-secondary">{{ sub }}</span>
    </h2>
    <RouterLink
      v-for="row in rows"
      :key="row.job_id"
      :to="to(row)"
      class="grid items-center gap-x-4 border-b-2 border-row px-5 py-2 md:grid-cols-[98px_220px_1fr] xl:grid-cols-[98px_230px_1fr_340px_156px]"
      data-row
    >
      <UnitTag :tag="row.tag" small />
      <span class="min-w-0"
        ><span class="block truncate text-[17px] font-bold">{{ row.name }}</span
        ><span class="block truncate text-secondary">{{ row.bench }}</span></span
      >
      <span class="min-w-0"
        ><span class="line-clamp-2 text-[20px] font-[680] leading-tight">{{ words(row) }}</span
        ><span v-if="row.late.length" class="block truncate font-bold text-danger" data-late
          >Late: {{ row.late.join("; ") }}</span
        ><span class="block truncate text-secondary">{{ small(row) }}</span></span
      >
      <span class="max-xl:hidden"
        ><ReadoutMark v-if="lead(row)?.strip" :scene="lead(row)!.strip!" small
      /></span>
      <span class="flex flex-wrap justify-end gap-1 max-xl:hidden"
        ><VerdictMark
          v-for="s in row.settings"
          :key="s.id"
          :code="s.verdict"
          :aria-label="`${s.label}: ${s.verdict_words}`"
          role="img"
          :class="s.verdict.startsWith('out') ? 'text-danger' : ''"
      /></span>
    </RouterLink>
  </section>
</template>
