<script setup lang="ts">
/** One of a few answers, by tap or by its number. */
import type { Cell } from "../../../api/client";
import { useKeys } from "../../../composables/useKeys";

const props = defineProps<{ cell: Cell }>();
const emit = defineEmits<{ take: [what: { value: string }] }>();
useKeys((event) => {
  const option = props.cell.options[Number(event.key) - 1];
  if (!option?.[0] || event.repeat) return false;
  emit("take", { value: option[0] });
  return true;
});
</script>

<template>
  <div class="mt-2 flex flex-wrap gap-2" data-live>
    <button
      v-for="([key, label], i) in cell.options"
      :key="key"
      type="button"
      class="control"
      :data-option="key"
      @click="$emit('take', { value: key ?? '' })"
    >
      {{ label }} <span class="keycap">{{ i + 1 }}</span>
    </button>
  </div>
</template>
