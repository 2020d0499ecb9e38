<script setup lang="ts">
import { RouterView } from "vue-router";
import { ownKeys } from "./composables/useKeys";
import LeftLine from "./ui/definition/LeftLine.vue";

ownKeys();
</script>

<template>
  <LeftLine />
  <RouterView />
</template>
