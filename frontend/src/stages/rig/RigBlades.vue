<script setup lang="ts">
/** Feeler blades: each is tried by hand, and what it feels like is said. */
import { ref } from "vue";
import type { components } from "../../api/schema";

defineProps<{ blades: components["schemas"]["BladeView"][] }>();
const tried = ref<string[]>([]);
</script>

<template>
  <div data-rig-blades>
    <h2 class="zone-head">Feeler blades, mm</h2>
    <p class="text-[15px] text-secondary">
      Try them. The largest that goes and the smallest that does not are the reading: type the two.
    </p>
    <ul class="mt-2 grid grid-cols-2 gap-2">
      <li v-for="b in blades" :key="b.label">
        <button
          type="button"
          class="control min-h-12 w-full justify-between gap-2 px-3 py-1"
          :data-blade="b.label"
          @click="tried = [...new Set([...tried, b.label])]"
        >
          <span class="text-[19px] font-bold">{{ b.label }}</span>
          <span class="text-[14px] leading-tight" aria-live="polite">{{
            tried.includes(b.label) ? b.feel : "try it"
          }}</span>
        </button>
      </li>
    </ul>
  </div>
</template>
