<script setup lang="ts">
/** One quantity at a time over the years, the one to act on first in front. */
import { computed, ref } from "vue";
import { RouterLink } from "vue-router";
import type { LifeView } from "../../api/client";
import { useKeys } from "../../composables/useKeys";
import LifeMark from "../../marks/LifeMark.vue";

const props = defineProps<{ view: LifeView }>();
const at = ref(0);
const q = computed(() => props.view.quantities[at.value]);
useKeys((event, typing) => {
  if (typing || event.key !== "q" || !props.view.quantities.length) return false;
  at.value = (at.value + 1) % props.view.quantities.length;
  return true;
});
const said = (i: number) => props.view.quantities[i]?.say.map((s) => s.text).join("") ?? "";
</script>

<template>
  <p v-if="!q" class="px-5 py-6 text-[20px]">Nothing was measured on it yet.</p>
  <div v-else class="grid flex-1 content-stretch lg:grid-cols-[1fr_380px]" data-wear>
    <section class="min-w-0 bg-surface px-5 py-4" :aria-label="q.label">
      <h2 class="zone-head">
        {{ q.label }}, {{ q.unit }} <span class="font-medium text-secondary">{{ q.place }}</span>
      </h2>
      <LifeMark v-if="q.scene" :scene="q.scene" class="mt-3" />
      <table class="mt-4 w-full text-left text-[17px]">
        <caption class="sr-only">
          {{
            q.label
          }}, every visit
        </caption>
        <thead>
          <tr class="border-b-2">
            <th class="py-1 pr-3">Visit</th>
            <th class="pr-3">Found</th>
            <th class="pr-3">Left</th>
            <th class="pr-3">Wore</th>
            <th>Hours</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in q.rows" :key="r.job_id" class="border-b border-row">
            <td class="py-1 pr-3">
              <RouterLink class="underline" :to="`/jobs/${r.job_id}/record`">{{ r.day }}</RouterLink>
            </td>
            <td class="pr-3 font-semibold">{{ r.found || "–" }}</td>
            <td class="pr-3 font-semibold">{{ r.left || "–" }}</td>
            <td class="pr-3">{{ r.rate }}</td>
            <td>{{ r.hours }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="q.source" class="mt-2 text-[15px] text-secondary">Limit in service from {{ q.source }}.</p>
    </section>
    <section class="border-l-2 bg-bay max-lg:border-t-2 max-lg:border-l-0" aria-label="Quantities">
      <h2 class="zone-head border-b-2 px-5 py-2">
        {{ view.quantities.length === 1 ? "One quantity" : `${view.quantities.length} quantities` }}
        <span v-if="view.quantities.length > 1" class="keycap ml-2">q</span>
      </h2>
      <ul>
        <li v-for="(x, i) in view.quantities" :key="x.key">
          <button
            type="button"
            class="min-h-[60px] w-full cursor-pointer border-b-2 border-row px-5 py-2 text-left"
            :class="i === at ? 'bg-here text-on-here' : ''"
            :aria-current="i === at"
            :data-quantity="x.key"
            @click="at = i"
          >
            <span class="block text-[18px] font-[660] wrap-anywhere">{{ x.label }}</span>
            <span class="block text-[15px]">{{ said(i) }}</span>
          </button>
        </li>
      </ul>
      <p v-if="at > 0 && q.aside" class="px-5 py-3 text-[16px]">{{ q.aside }}</p>
    </section>
  </div>
</template>
