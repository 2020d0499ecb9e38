<script setup lang="ts">
/** What comes after run-in, what was put off, and what this unit owes from before. */
import { ref } from "vue";
import type { ProveView } from "../../api/client";
import PointsLeaf from "./PointsLeaf.vue";
import PutOffForm from "./PutOffForm.vue";
import type { ProveDesk } from "./useProve";

defineProps<{ view: ProveView; desk: ProveDesk }>();
const open = ref(false);
</script>

<template>
  <PointsLeaf
    v-if="view.groups.some((g) => g.leaf === 'after')"
    :view="view"
    leaf="after"
    :desk="desk"
    none=""
  />
  <p v-else class="px-5 py-4 text-[18px]">Nothing is asked for after run-in.</p>
  <section class="border-t-2 px-5 py-3" aria-label="Put off" data-put-off-list>
    <h2 class="zone-head">Put off in this job</h2>
    <ul>
      <li
        v-for="p in view.put_off"
        :key="p.fact"
        class="flex flex-wrap items-center gap-4 border-b border-row py-2"
        data-put-off-row
      >
        <strong class="wrap-anywhere">{{ p.what }}</strong>
        <span class="flex-1 basis-60 wrap-anywhere">{{ p.words }}</span>
        <span class="text-secondary">{{ p.by }}</span>
        <button
          v-if="!view.job.closed"
          type="button"
          class="control"
          @click="desk.strike('deferred', p.fact)"
        >
          Strike it
        </button>
      </li>
    </ul>
    <p v-if="!view.put_off.length" class="py-2">Nothing.</p>
    <template v-if="!view.job.closed">
      <PutOffForm v-if="open" class="max-w-[640px]" :names="view.names" :desk="desk" @done="open = false" />
      <button v-else type="button" class="control mt-2" data-put-off-more @click="open = true">
        Put something else off
      </button>
    </template>
  </section>
  <section v-if="view.owed.length" class="border-t-2 px-5 py-3" aria-label="Owed" data-owed>
    <h2 class="zone-head">This unit owes from before</h2>
    <ul>
      <li v-for="o in view.owed" :key="o.fact" class="flex flex-wrap gap-4 border-b border-row py-2">
        <strong>{{ o.what }}</strong>
        <span class="flex-1 basis-60">until {{ o.until }}, by {{ o.who }}: {{ o.why }}</span>
        <span v-if="o.late" class="font-bold text-danger">late</span>
      </li>
    </ul>
  </section>
</template>
