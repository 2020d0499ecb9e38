<script setup lang="ts">
/** The unit in section with the verdicts that stand at each place; a flag opens its part. */
import type { InspectView } from "../../api/client";
import SectionMark from "../../marks/SectionMark.vue";

const props = defineProps<{ view: InspectView }>();
const emit = defineEmits<{ part: [key: string] }>();
function pick(place: string) {
  const here = props.view.places.find((p) => p.key === place)?.parts ?? [];
  const open = here.find((key) => props.view.parts.some((p) => p.key === key && !p.chosen));
  const key = open ?? here[0];
  if (key) emit("part", key);
}
</script>

<template>
  <div class="flex-1 overflow-x-auto bg-bay" style="--casing: var(--bay)">
    <div class="mx-auto w-full min-w-[600px]" style="max-width: max(600px, calc((100vh - 250px) * 1.66))">
      <SectionMark :scene="view.section" @pick="pick" />
    </div>
  </div>
</template>
