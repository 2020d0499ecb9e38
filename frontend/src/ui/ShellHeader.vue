<script setup lang="ts">
import { RouterLink } from "vue-router";
import ActorChoice from "./ActorChoice.vue";
import StageRule from "./StageRule.vue";
import UnitTag from "./UnitTag.vue";

defineProps<{ job: string; tag: string; title: string; sub: string; here: string }>();
</script>

<template>
  <header
    class="flex min-h-16 shrink-0 flex-wrap items-center gap-x-4 border-b-2 bg-bay px-5 max-lg:pt-2 lg:flex-nowrap"
  >
    <RouterLink to="/"><UnitTag :tag="tag" /><span class="sr-only">, back to the board</span></RouterLink>
    <div class="min-w-0 flex-1 max-sm:min-w-[200px]">
      <h1 class="truncate text-[18px] font-bold leading-tight">{{ title }}</h1>
      <p class="truncate text-[15px] leading-tight text-secondary">{{ sub }}</p>
    </div>
    <StageRule :job="job" :here="here" />
    <ActorChoice />
  </header>
</template>
