<script setup lang="ts">
/** The opened sum, line by line, with where its limits come from. */
import type { Result } from "../api/client";

defineProps<{ results: Result[] }>();
</script>

<template>
  <div class="flex flex-col gap-4" data-working>
    <section
      v-for="r in results.filter((x) => x.working.lines.length)"
      :key="r.key"
      class="grid gap-4 border-t-2 pt-1 lg:grid-cols-[1fr_230px]"
    >
      <table class="w-full text-[16px]">
        <caption class="sr-only">
          Working of
          {{
            r.label
          }}
        </caption>
        <tbody>
          <tr
            v-for="(line, i) in r.working.lines"
            :key="i"
            class="border-b border-row align-baseline"
            :class="line.main ? 'font-bold' : ''"
          >
            <th scope="row" class="py-0.5 pr-3 text-left font-[inherit]">{{ line.label }}</th>
            <td class="py-0.5 pr-3 font-medium">{{ line.sum }}</td>
            <td class="py-0.5 text-right sm:whitespace-nowrap">{{ line.result }}</td>
          </tr>
        </tbody>
      </table>
      <div class="border-l-2 pl-4 text-[16px]">
        <p class="font-bold">{{ r.label }}{{ r.window ? `: ${r.verdict.words}` : "" }}</p>
        <p v-for="s in r.working.sources" :key="s" class="text-secondary">{{ s }}</p>
      </div>
    </section>
  </div>
</template>
