<script setup lang="ts">
/** Who lived where: one column a place, a plate a stay, by the visits of the unit. */
import { computed } from "vue";
import { RouterLink } from "vue-router";
import type { LifeView } from "../../api/client";

const props = defineProps<{ view: LifeView }>();
const last = computed(() => props.view.visits.length);
/** Rows of the grid: the head is 1, each visit one more; a stay still going on runs to the end. */
const rows = (s: { since: number; until: number }) =>
  `${s.since + 2} / ${s.until < 0 ? last.value + 2 : s.until + 2}`;
</script>

<template>
  <p v-if="!view.dwellings.length" class="px-5 py-6 text-[20px]">
    No serial was named and no part came new: nothing is known of who lived where.
  </p>
  <div v-else class="relative overflow-x-auto bg-bay px-5 py-4" data-dwellings>
    <div
      class="grid gap-x-3"
      :style="{
        gridTemplateColumns: `150px repeat(${view.dwellings.length}, minmax(120px, 1fr))`,
        gridTemplateRows: `auto repeat(${last}, minmax(74px, auto))`,
      }"
    >
      <h2
        v-for="(d, i) in view.dwellings"
        :key="d.part"
        class="pb-2 text-center leading-tight font-bold"
        :style="{ gridRow: 1, gridColumn: i + 2 }"
      >
        {{ d.label }}
      </h2>
      <RouterLink
        v-for="(v, i) in view.visits"
        :key="v.job_id"
        class="border-t-2 border-row pt-1 leading-tight"
        :style="{ gridRow: i + 2, gridColumn: '1 / -1' }"
        :to="`/jobs/${v.job_id}/record`"
        ><strong class="underline">{{ v.day }}</strong
        ><br /><span class="text-[15px] text-secondary">{{ v.hours }}</span></RouterLink
      >
      <template v-for="(d, i) in view.dwellings" :key="d.part">
        <div
          v-for="s in d.stays"
          :key="s.since"
          class="mt-1 flex flex-col justify-between border-2 p-2 text-[16px] leading-tight wrap-anywhere"
          :class="s.until < 0 ? 'bg-surface' : 'bg-neutral'"
          :style="{ gridRow: rows(s), gridColumn: i + 2 }"
          data-stay
        >
          <span class="font-[680]"
            >{{ s.label
            }}<span v-if="s.came" class="block text-[15px] font-medium">from {{ s.came }}</span></span
          >
          <span class="text-[15px]">{{
            s.until < 0 ? "in now" : s.went ? `${s.went.includes("-") ? "to " : ""}${s.went}` : "taken out"
          }}</span>
        </div>
      </template>
    </div>
  </div>
</template>
