<script setup lang="ts">
import { RouterView } from "vue-router";
import { ownKeys } from "./composables/useKeys";

ownKeys();
</script>

<template>
  <RouterView />
</template>
