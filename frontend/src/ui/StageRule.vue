<script setup lang="ts">
/** The stages on one ruled line, as the server lists them, with what is open in each; those not built yet are
 * dashed and say so. */
import { RouterLink } from "vue-router";
import type { JobView } from "../api/client";

defineProps<{ stages: JobView["stages"]; here: string }>();
</script>

<template>
  <nav
    aria-label="Stages"
    class="flex h-full min-w-0 items-end max-lg:order-last max-lg:mb-2.5 max-lg:h-12 max-lg:basis-full max-sm:h-auto max-sm:flex-wrap max-sm:gap-y-2.5"
  >
    <component
      :is="s.to ? RouterLink : 'span'"
      v-for="s in stages"
      :key="s.key"
      :to="s.to || undefined"
      :aria-current="s.key === here ? 'step' : undefined"
      class="relative h-[54px] w-[68px] max-sm:w-1/5 items-center max-lg:h-12 justify-center border-b-2 border-l-2 text-[15px]"
      :class="[
        s.key === here
          ? 'flex bg-here font-bold text-on-here'
          : s.to
            ? 'flex font-semibold'
            : 'hidden border-dashed text-secondary md:max-lg:flex xl:flex',
      ]"
    >
      {{ s.label }}<span v-if="!s.to" class="sr-only">, not built yet</span>
      <span v-if="s.open" class="mark absolute -bottom-2 px-1 text-[15px] font-bold leading-[18px]"
        >{{ s.open }}<span class="sr-only"> open</span></span
      >
    </component>
  </nav>
</template>
