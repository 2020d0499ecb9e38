<script setup lang="ts">
import type { SetPageState } from "./useSetPage";

defineProps<{ page: SetPageState }>();
</script>

<template>
  <button
    type="button"
    class="control"
    :aria-expanded="page.panel === 'working'"
    data-sum
    @click="page.toggle('working')()"
  >
    <span class="text-[20px]">=</span> {{ page.panel === "working" ? "Close" : "Sum" }}
  </button>
</template>
