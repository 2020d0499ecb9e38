<script setup lang="ts">
/** The first cautions at the foot of a page; a tap shows all. */
</script>

<template>
  <button type="button" class="flex min-h-12 min-w-0 flex-1 cursor-pointer items-center gap-3 text-left">
    <span
      class="flex h-8 w-8 shrink-0 items-center justify-center bg-danger text-[22px] font-bold text-on-danger"
      aria-hidden="true"
      >!</span
    >
    <span class="line-clamp-2 text-[15px] leading-snug"
      ><slot /><span class="sr-only"> Show all cautions.</span></span
    >
  </button>
</template>
