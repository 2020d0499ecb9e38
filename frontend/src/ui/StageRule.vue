<script setup lang="ts">
/** The nine stages on one ruled line with what is open in each; those not built yet are dashed and say so. */
import { useQuery } from "@tanstack/vue-query";
import { computed } from "vue";
import { RouterLink } from "vue-router";
import { api, unwrap } from "../api/client";
import type { StageName } from "./stageName";

const props = defineProps<{ job: string; here: StageName }>();
const stages = ["Receive", "Strip", "Inspect", "Plan", "Fit", "Set", "Mesh", "Prove", "Record"];
const paths = computed<Record<string, string>>(() => ({
  Receive: `/jobs/${props.job}/receive`,
  Strip: `/jobs/${props.job}/strip`,
  Inspect: `/jobs/${props.job}/inspect`,
  Set: `/jobs/${props.job}`,
  Record: `/jobs/${props.job}/record`,
}));
const { data } = useQuery({
  queryKey: computed(() => ["job", props.job]),
  queryFn: () => unwrap(api.GET("/api/jobs/{job_id}", { params: { path: { job_id: props.job } } })),
  staleTime: 5000,
});
const open = (name: string) => data.value?.open[name] ?? 0;
</script>

<template>
  <nav
    aria-label="Stages"
    class="flex h-full items-end max-lg:order-last max-lg:mb-2.5 max-lg:h-12 max-lg:basis-full"
  >
    <template v-for="name in stages" :key="name">
      <component
        :is="paths[name] ? RouterLink : 'span'"
        :to="paths[name]"
        :aria-current="name.toLowerCase() === here ? 'step' : undefined"
        class="relative h-[54px] w-[68px] items-center max-lg:h-12 justify-center border-b-2 border-l-2 text-[15px]"
        :class="[
          name.toLowerCase() === here
            ? 'flex bg-here font-bold text-on-here'
            : paths[name]
              ? 'flex font-semibold'
              : 'hidden border-dashed text-secondary md:max-lg:flex xl:flex',
        ]"
      >
        {{ name }}<span v-if="!paths[name]" class="sr-only">, not built yet</span>
        <span v-if="open(name)" class="mark absolute -bottom-2 px-1 text-[15px] font-bold leading-[18px]"
          >{{ open(name) }}<span class="sr-only"> open</span></span
        >
      </component>
    </template>
  </nav>
</template>
