<script setup lang="ts">
/** The frame of every rig's page: its header, and under it what it is about. */
import type { RigView } from "../../api/client";
import RigHeader from "./RigHeader.vue";

defineProps<{ rig: RigView }>();
</script>

<template>
  <div class="flex min-h-full flex-col">
    <RigHeader :number="rig.number" :sort="rig.sort" :title="rig.title" />
    <main class="flex flex-1 flex-col"><slot /></main>
  </div>
</template>
