<script setup lang="ts">
/** The nine stages on one ruled line; those that are not built yet are drawn dashed and say so. */
import { RouterLink } from "vue-router";

const props = defineProps<{ job: string; here: "set" | "record" }>();
const stages = ["Receive", "Strip", "Inspect", "Plan", "Fit", "Set", "Mesh", "Prove", "Record"];
const paths: Record<string, string> = { Set: `/jobs/${props.job}`, Record: `/jobs/${props.job}/record` };
</script>

<template>
  <nav aria-label="Stages" class="flex h-full items-end">
    <template v-for="name in stages" :key="name">
      <component
        :is="paths[name] ? RouterLink : 'span'"
        :to="paths[name]"
        :aria-current="name.toLowerCase() === here ? 'step' : undefined"
        class="h-[54px] w-[68px] items-center justify-center border-b-2 border-l-2 text-[15px]"
        :class="[
          name.toLowerCase() === here
            ? 'flex bg-here font-bold text-on-here'
            : paths[name]
              ? 'hidden font-semibold lg:flex max-lg:nth-last-1:flex'
              : 'hidden border-dashed text-secondary xl:flex',
        ]"
      >
        {{ name }}<span v-if="!paths[name]" class="sr-only">, not built yet</span>
      </component>
    </template>
  </nav>
</template>
