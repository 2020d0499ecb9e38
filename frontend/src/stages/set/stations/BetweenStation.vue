<script setup lang="ts">
/** Two blades: the largest that goes and the smallest that does not. */
import { computed, ref } from "vue";
import type { Cell } from "../../../api/client";
import { useLiveField } from "./useLiveField";

defineProps<{ cell: Cell; dense?: boolean }>();
const text = defineModel<string>({ required: true });
const goes = ref<HTMLInputElement | null>(null);
const stops = ref<HTMLInputElement | null>(null);
useLiveField(goes);
const ends = computed(() => text.value.split(" / "));
function put(end: number, event: Event) {
  const typed = (event.target as HTMLInputElement).value;
  const both = end === 0 ? [typed, ends.value[1] ?? ""] : [ends.value[0] ?? "", typed];
  text.value = both.some((t) => t.trim()) ? both.join(" / ") : "";
}
function onward(event: KeyboardEvent) {
  if (ends.value[1]?.trim()) return;
  event.preventDefault();
  event.stopPropagation();
  stops.value?.focus();
}
</script>

<template>
  <span class="flex flex-1 items-stretch">
    <input
      v-for="(name, i) in ['goes', 'does not go']"
      :key="name"
      :ref="(el) => (i ? (stops = el as HTMLInputElement) : (goes = el as HTMLInputElement))"
      :value="ends[i] ?? ''"
      class="w-1/2 min-w-[64px] bg-transparent placeholder:text-[14px] px-2 text-[24px] font-bold leading-none caret-(--caret) outline-none"
      :class="i ? 'border-l-2 border-current' : ''"
      size="4"
      inputmode="decimal"
      autocomplete="off"
      :placeholder="name"
      :aria-label="`${cell.label}: the blade that ${name}`"
      maxlength="20"
      data-live
      @input="put(i, $event)"
      @keydown.enter="i === 0 && onward($event)"
    />
  </span>
</template>
