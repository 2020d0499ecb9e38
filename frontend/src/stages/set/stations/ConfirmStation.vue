<script setup lang="ts">
/** Done, or seen: yes or no. */
import { ref } from "vue";
import type { Cell } from "../../../api/client";
import { useLiveField } from "./useLiveField";

defineProps<{ cell: Cell; dense?: boolean }>();
defineEmits<{ take: [what: { value: boolean }] }>();
const yes = ref<HTMLButtonElement | null>(null);
useLiveField(yes);
</script>

<template>
  <span class="flex flex-1 items-stretch">
    <button
      ref="yes"
      type="button"
      class="flex-1 px-3 text-[22px] font-bold -outline-offset-4"
      data-live
      @click="$emit('take', { value: true })"
    >
      yes
    </button>
    <button
      type="button"
      class="border-l-2 border-current px-3 -outline-offset-4 text-[17px] font-bold"
      :aria-label="`${cell.label}: no`"
      data-no
      @click="$emit('take', { value: false })"
    >
      no
    </button>
  </span>
</template>
