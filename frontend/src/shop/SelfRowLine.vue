<script setup lang="ts">
/** One thing that runs by itself: its own rule with window and needle, and when it is ready. */
import { computed } from "vue";
import { RouterLink } from "vue-router";
import type { SelfRow } from "../api/client";
import UnitTag from "../ui/UnitTag.vue";
import { clockOf } from "./dayClock";

const props = defineProps<{ row: SelfRow; now: string }>();
const to = computed(() =>
  props.row.step
    ? `/jobs/${props.row.job}/plan/${props.row.step}`
    : `/jobs/${props.row.job}/inspect?zone=orders`,
);
const when = computed(() => {
  if (props.row.state === "start") return `by ${clockOf(props.row.by ?? "", props.now)}`;
  if (props.row.state === "ready") return "take it";
  if (props.row.state === "late") return "late";
  return props.row.ready ? clockOf(props.row.ready, props.now) : "no promise";
});
const x = computed(() => 4 + props.row.share * 160);
</script>

<template>
  <RouterLink
    :to="to"
    class="grid min-h-[44px] items-center gap-x-3 border-b-2 border-row py-1 max-md:grid-cols-[98px_1fr_auto] md:grid-cols-[98px_1fr_214px_minmax(120px,auto)]"
    :data-self="row.state"
  >
    <UnitTag :tag="row.tag" small />
    <span class="min-w-0 leading-tight"
      ><b class="block truncate text-[17px]">{{ row.label }}</b
      ><span
        class="block truncate text-[15px]"
        :class="row.state === 'late' ? 'text-danger' : 'text-secondary'"
        >{{ row.words }}{{ row.may_be_left ? "" : ", somebody stays" }}</span
      ></span
    >
    <svg viewBox="-8 -14 230 32" class="hidden h-8 w-full md:block" aria-hidden="true">
      <template v-if="row.state !== 'order' && row.state !== 'late'">
        <rect x="0" y="0" width="214" height="16" fill="var(--neutral)" />
        <rect x="164" y="0" width="50" height="16" fill="var(--wanted)" />
        <path d="M164 -6V16" stroke="var(--wanted-post)" stroke-width="2.5" />
        <path :d="`M${x - 8} -13h16l-8 13z`" fill="var(--found)" />
      </template>
      <template v-else>
        <rect x="0" y="0" width="164" height="16" fill="var(--wanted)" />
        <rect x="164" y="0" width="50" height="16" fill="var(--neutral)" />
        <path d="M164 -6V16" stroke="var(--wanted-post)" stroke-width="2.5" />
        <path
          :d="`M${row.state === 'late' ? 182 : 74} -13h16l-8 13z`"
          :fill="row.state === 'late' ? 'var(--danger)' : 'var(--found)'"
        />
      </template>
      <path d="M0 16H214" stroke="var(--found)" stroke-width="2" />
    </svg>
    <span
      class="justify-self-end whitespace-nowrap text-[22px] font-bold"
      :class="
        row.state === 'start'
          ? 'mark'
          : row.state === 'late'
            ? 'bg-danger px-2 text-on-danger'
            : row.state === 'ready'
              ? 'bg-wanted px-2 text-white'
              : ''
      "
      >{{ when }}</span
    >
  </RouterLink>
</template>
