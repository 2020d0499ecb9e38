<script setup lang="ts">
defineProps<{ cautions: string[] }>();
</script>

<template>
  <section class="flex flex-col gap-3 border-t-2 border-danger pt-3" data-cautions>
    <h2 class="text-[20px] font-bold text-danger">Before you start</h2>
    <ul class="flex flex-col gap-2 text-[18px]">
      <li v-for="c in cautions" :key="c" class="border-l-4 border-danger pl-3">{{ c }}</li>
    </ul>
  </section>
</template>
