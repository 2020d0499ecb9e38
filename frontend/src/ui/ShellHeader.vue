<script setup lang="ts">
import { RouterLink } from "vue-router";
import ActorChoice from "./ActorChoice.vue";
import StageRule from "./StageRule.vue";
import UnitTag from "./UnitTag.vue";

defineProps<{ job: string; tag: string; title: string; sub: string; here: "set" | "record" }>();
</script>

<template>
  <header class="flex h-16 shrink-0 items-center gap-4 border-b-2 bg-bay px-5">
    <RouterLink to="/" aria-label="Back to the board"><UnitTag :tag="tag" /></RouterLink>
    <div class="min-w-0 flex-1">
      <h1 class="truncate text-[18px] font-bold leading-tight">{{ title }}</h1>
      <p class="truncate text-[15px] leading-tight text-secondary">{{ sub }}</p>
    </div>
    <StageRule :job="job" :here="here" />
    <ActorChoice />
  </header>
</template>
