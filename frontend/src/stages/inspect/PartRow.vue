<script setup lang="ts">
/** One part in the list: what it is, and the verdict that stands. */
import { computed } from "vue";
import type { InspectPart } from "../../api/client";

const props = defineProps<{ part: InspectPart; here: boolean }>();
defineEmits<{ pick: [] }>();
const graded = computed(() => props.part.looks.filter((x) => x.grade).length);
const state = computed(() => {
  if (props.part.stale) return "again";
  if (props.part.chosen) return props.part.chosen_label;
  return graded.value ? `${graded.value} / ${props.part.looks.length}` : "";
});
const loud = computed(() => ["replace", "send_out", "hold"].includes(props.part.chosen));
</script>

<template>
  <li>
    <button
      type="button"
      class="grid min-h-[52px] w-full cursor-pointer grid-cols-[1fr_auto] items-center gap-3 border-b-2 border-row px-5 py-1 text-left"
      :class="here ? 'bg-here text-on-here' : ''"
      :data-part="part.key"
      :aria-current="here ? 'true' : undefined"
      @click="$emit('pick')"
    >
      <span class="min-w-0"
        ><span class="block truncate font-bold leading-tight">{{ part.label }}</span
        ><span class="block truncate text-[15px]">{{
          [part.number, part.order].filter(Boolean).join(" · ") || part.kind_label
        }}</span></span
      >
      <span
        class="text-right text-[15px]"
        :class="part.stale ? 'mark font-bold' : loud ? 'font-[750] uppercase' : 'font-semibold'"
        >{{ state }}</span
      >
    </button>
  </li>
</template>
