<script setup lang="ts">
/** Strip and inspection on the record, a line each. */
import type { RecordView } from "../../api/client";

defineProps<{ title: string; lines: RecordView["strip"] }>();
</script>

<template>
  <section v-if="lines.length" class="border-b-2 px-5 py-4" :data-record-lines="title">
    <h2 class="text-[22px] font-bold">{{ title }}</h2>
    <ul class="mt-2">
      <li
        v-for="(x, i) in lines"
        :key="i"
        class="grid gap-x-4 border-b border-row py-1 wrap-anywhere md:grid-cols-[180px_1fr_2fr_140px]"
      >
        <span class="text-secondary">{{ x.zone }}</span>
        <strong>{{ x.label }}</strong>
        <span>{{ x.words }}</span>
        <span class="text-secondary">{{ x.by }}</span>
      </li>
    </ul>
  </section>
</template>
