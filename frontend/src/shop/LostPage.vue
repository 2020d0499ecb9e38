<script setup lang="ts">
import ShopHeader from "../ui/ShopHeader.vue";
</script>

<template>
  <ShopHeader title="Not here" sub="" />
  <main class="p-8"><p data-lost class="say">Nothing lives at this address. Go back to the board.</p></main>
</template>
