<script setup lang="ts">
/** The hatch of where a needle must not go; inside an svg, painted by `url(#id)`. */
defineProps<{ id: string }>();
</script>

<template>
  <pattern :id="id" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
    <rect width="9" height="9" fill="var(--surface)" />
    <path d="M0 0V9" stroke="var(--danger)" stroke-width="3" />
  </pattern>
</template>
