<script setup lang="ts">
/** A signature that does not match what is kept: said in red wherever it is shown. */
defineProps<{ broken: string[] }>();
</script>

<template>
  <p v-if="broken.length" role="alert" class="py-2 text-[19px] font-bold text-danger" data-broken-seal>
    This signature does not match what is kept: {{ broken.join("; ") }}. Trust the printed record, not this
    one.
  </p>
</template>
