<script setup lang="ts">
/** Draws any scene of the closed set by its type; a page never asks which kind it came from. */
import { computed } from "vue";
import type { Scene } from "../api/client";
import { markOf } from "./registry";

const props = defineProps<{ scene: Scene; gutter?: number }>();
const mark = computed(() => markOf(props.scene.type));
</script>

<template>
  <component :is="mark" v-if="mark" :scene="scene" :gutter="gutter" />
</template>
