<script setup lang="ts">
defineProps<{ tag: string; small?: boolean }>();
</script>

<template>
  <span
    class="relative inline-flex items-center justify-center"
    :class="small ? 'h-10 w-[98px]' : 'h-11 w-[112px]'"
  >
    <svg
      class="absolute inset-0 h-full w-full"
      viewBox="0 0 112 44"
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      <path d="M11 1 H111 V43 H11 L1 33 V11 Z" fill="var(--surface)" stroke="var(--found)" stroke-width="2" />
      <circle cx="15" cy="22" r="4.5" fill="none" stroke="var(--found)" stroke-width="2" />
    </svg>
    <span class="relative pl-5 text-[22px] font-bold" style="font-stretch: 100%; letter-spacing: 0.03em">{{
      tag
    }}</span>
  </span>
</template>
