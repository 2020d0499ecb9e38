<script setup lang="ts">
/** Findings, what bites first on top; the one in hand is the block. */
import type { FindingView } from "../../api/client";

const at = defineModel<number>({ required: true });
defineProps<{ findings: FindingView[] }>();
</script>

<template>
  <ol class="overflow-y-auto" data-findings>
    <li v-for="(f, i) in findings" :key="f.key">
      <button
        type="button"
        class="grid min-h-[58px] w-full grid-cols-[36px_1fr] items-center gap-2 border-b-2 border-row px-5 py-1 text-left"
        :class="i === at ? 'bg-here text-on-here' : ''"
        :aria-pressed="i === at"
        :data-finding="f.code"
        :data-severity="f.severity"
        @click="at = i"
      >
        <span class="text-[24px] font-bold">{{ i + 1 }}</span>
        <span class="min-w-0"
          ><b class="block truncate text-[17px]"
            >{{ f.title }}<span v-if="f.severity === 'stop'" class="sr-only">, stop</span></b
          ><span class="block truncate text-[16px]">{{ f.words }}</span></span
        >
      </button>
    </li>
  </ol>
</template>
