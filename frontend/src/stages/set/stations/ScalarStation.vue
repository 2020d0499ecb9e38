<script setup lang="ts">
/** One number, with its unit if it is not the gauge's. */
import { ref } from "vue";
import type { Cell } from "../../../api/client";
import { useLiveField } from "./useLiveField";

defineProps<{ cell: Cell; dense?: boolean }>();
const text = defineModel<string>({ required: true });
const field = ref<HTMLInputElement | null>(null);
useLiveField(field);
</script>

<template>
  <input
    ref="field"
    v-model="text"
    class="w-full min-w-0 flex-1 bg-transparent px-2 font-bold leading-none caret-(--caret) outline-none"
    :class="dense ? 'text-[24px]' : 'text-[38px]'"
    size="3"
    inputmode="decimal"
    autocomplete="off"
    :aria-label="cell.label"
    maxlength="40"
    data-live
  />
</template>
