<script setup lang="ts">
/** What the fills on a flank mean; only those that are there. */
import { computed } from "vue";
import type { Flank } from "../../api/client";

const props = defineProps<{ flanks: Flank[] }>();
const roles = computed(() => new Set(props.flanks.flatMap((f) => f.patches.map((p) => p.role))));
const reach = computed(() => props.flanks.some((f) => f.reach?.length));
</script>

<template>
  <p class="flex flex-wrap gap-x-6 gap-y-1 text-[15px]">
    <span v-if="roles.has('painted')"><i class="swatch bg-found" /> painted now</span>
    <span v-if="roles.has('wanted')"
      ><i class="swatch border-2 border-wanted-post bg-wanted-tint" /> as it ran, wanted</span
    >
    <span v-if="roles.has('predicted')"
      ><i class="swatch border-4 border-move outline-2 outline-move-edge" /> expected, by the model</span
    >
    <span v-if="reach"><i class="swatch swatch-hatch bg-cut" /> never reached</span>
  </p>
</template>
