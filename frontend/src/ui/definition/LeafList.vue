<script setup lang="ts">
/** One list of the definition: tap a row to take it in hand, put it earlier or later, make a new one. */
import { computed } from "vue";
import { LEAVES, type Definition, type Leaf } from "./columns";
import { beside } from "./related";
import { labelOf, rowsOf } from "./rows";

const props = defineProps<{
  definition: Definition;
  leaf: Leaf;
  wrong: (leaf: Leaf, row: number) => boolean;
}>();
defineEmits<{ take: [key: string]; add: []; move: [row: number, by: -1 | 1] }>();
const rows = computed(() => rowsOf(props.definition, props.leaf));
const fresh = computed(() => LEAVES.find(([key]) => key === props.leaf)?.[2] ?? "");
const SAYS: Partial<Record<Leaf, string>> = {
  parts: "In the order in which they sit on their shaft, from the left or from the top.",
  settings: "Limits by serial and by new or worn parts; the job takes the row that fits.",
  steps: "In the order in which they are worked.",
};
</script>

<template>
  <div :data-list="leaf">
    <p v-if="SAYS[leaf]" class="mb-1 text-secondary">{{ SAYS[leaf] }}</p>
    <ol>
      <li
        v-for="(row, n) in rows"
        :key="String(row.key)"
        class="flex items-center gap-2 border-b-2 border-row"
        :data-row-key="row.key"
      >
        <button
          type="button"
          class="min-h-12 min-w-0 flex-1 cursor-pointer py-1 text-left"
          @click="$emit('take', String(row.key))"
        >
          <span
            class="block break-words text-[18px] font-bold leading-tight"
            :class="wrong(leaf, n) ? 'text-danger' : ''"
            >{{ labelOf(row) || "without a name" }}</span
          >
          <span class="block break-words text-secondary">{{ beside(definition, leaf, row) }}</span>
        </button>
        <button
          v-if="leaf !== 'parts'"
          type="button"
          class="control px-3"
          :disabled="n === 0"
          :aria-label="`Put ${labelOf(row)} earlier`"
          @click="$emit('move', n, -1)"
        >
          <svg viewBox="0 0 12 8" class="h-2 w-3" aria-hidden="true">
            <path d="M1 7l5-5 5 5" fill="none" stroke="currentColor" stroke-width="2" />
          </svg>
        </button>
      </li>
    </ol>
    <p v-if="!rows.length" class="py-2 text-secondary">None yet.</p>
    <button type="button" class="control mt-3" data-add @click="$emit('add')">{{ fresh }}</button>
  </div>
</template>
