<script setup lang="ts">
/** What was laid down at this part or step: each sum with what it said, to be opened again. */
import type { FitAt } from "../../api/client";
import VerdictMark from "../../marks/VerdictMark.vue";

defineProps<{ fit: FitAt }>();
defineEmits<{ open: [sum: string]; strike: [fact: string, kind: string] }>();
const main = (found: Record<string, string>) => Object.entries(found).slice(0, 4);
</script>

<template>
  <section class="bg-bay px-5 py-3 lg:border-r-2" aria-label="Sums laid down">
    <article v-for="l in fit.laid" :key="l.fact" class="border-b-2 border-row py-2" :data-laid="l.sum">
      <header class="flex items-center justify-between gap-3">
        <h2 class="zone-head min-w-0">{{ l.title }}</h2>
        <VerdictMark v-if="l.code && l.code !== 'not_read'" :code="l.code" />
      </header>
      <p class="mt-1 text-[17px] font-semibold wrap-anywhere">{{ l.said }}</p>
      <dl class="mt-1">
        <div
          v-for="[label, words] in main(l.found)"
          :key="label"
          class="flex flex-wrap items-baseline justify-between gap-x-3"
        >
          <dt class="text-[15px] text-secondary">{{ label }}</dt>
          <dd class="text-[17px] font-bold">{{ words }}</dd>
        </div>
      </dl>
      <p v-for="w in l.warned" :key="w" class="mt-1 font-bold text-danger">{{ w }}</p>
      <p class="mt-1 flex items-center justify-between gap-3 text-[15px] text-secondary">
        <span>{{ l.by }}, {{ l.at.slice(0, 10) }}</span>
        <button type="button" class="min-h-11 font-semibold underline" @click="$emit('open', l.sum)">
          Open the sum
        </button>
      </p>
    </article>
    <ol v-if="fit.done.length" class="py-2">
      <li
        v-for="d in fit.done"
        :key="d.fact"
        class="flex items-center justify-between gap-3 border-b border-row text-[16px]"
        :data-done="d.fact_kind"
      >
        <span class="min-w-0 wrap-anywhere"
          ><span class="text-secondary">{{ d.at }}</span> <b>{{ d.words }}</b><span
            class="ml-2 text-secondary"
            >{{ d.by }}</span
          ></span
        >
        <button
          type="button"
          class="min-h-11 font-semibold underline"
          :aria-label="`Strike, written wrongly: ${d.words}`"
          @click="$emit('strike', d.fact, d.fact_kind)"
        >
          Strike
        </button>
      </li>
    </ol>
  </section>
</template>
