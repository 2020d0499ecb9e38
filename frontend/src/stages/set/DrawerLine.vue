<script setup lang="ts">
/** What the drawer of the adjusters' shims holds; one drawer is said once. */
import { computed } from "vue";
import type { Knob } from "../../api/client";

const props = defineProps<{ knobs: Knob[] }>();
const lots = computed(() => {
  const seen = new Map(props.knobs.flatMap((k) => k.drawer).map((d) => [d.thickness, d]));
  return [...seen.values()].filter((d) => d.count !== 0);
});
</script>

<template>
  <p v-if="lots.length" class="text-[15px] leading-snug" data-drawer>
    <span class="mr-2 text-secondary">Drawer</span>
    <span v-for="d in lots" :key="d.thickness" class="mr-2 inline-block whitespace-nowrap"
      ><strong>{{ d.label }}</strong> × {{ d.count }}</span
    >
  </p>
</template>
