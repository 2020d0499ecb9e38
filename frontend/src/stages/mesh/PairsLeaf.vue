<script setup lang="ts">
/** Every pair of gears: whether its teeth hunt, and what marks were found on it. */
import type { PairRow } from "../../api/client";

defineProps<{ rows: PairRow[] }>();
</script>

<template>
  <ul class="max-w-[1100px] px-5 py-3" data-train-pairs>
    <li v-for="r in rows" :key="r.mesh" class="border-b-2 border-row py-2">
      <b class="text-[19px]">{{ r.label }}</b>
      <p class="text-[17px]">{{ r.words }}</p>
      <p class="text-[16px] text-secondary">
        {{ r.marks ? `Marks as found: ${r.marks}` : "Its marks were not written down at Strip." }}
      </p>
    </li>
  </ul>
</template>
