<script setup lang="ts">
import { useQuery } from "@tanstack/vue-query";
import { useTitle } from "@vueuse/core";
import { computed } from "vue";
import { RouterLink } from "vue-router";
import { api, unwrap } from "../api/client";
import { useYard } from "../composables/useYard";
import ClosedLine from "./ClosedLine.vue";
import NameMenu from "./NameMenu.vue";
import StageRule from "./StageRule.vue";
import UnitTag from "./UnitTag.vue";

const props = defineProps<{ job: string; tag: string; title: string; sub: string; here: string }>();
const { day } = useYard();
const { data } = useQuery({
  queryKey: computed(() => ["job", props.job]),
  queryFn: () => unwrap(api.GET("/api/jobs/{job_id}", { params: { path: { job_id: props.job } } })),
  staleTime: 5000,
});
/** What is kept here while the yard does not answer is told by it too. */
useTitle(() => {
  const stage = data.value?.stages.find((s) => s.key === props.here)?.label ?? props.title;
  return [props.tag, stage, ...(props.sub === data.value?.complaint ? [] : [props.sub])].join(", ");
});
</script>

<template>
  <header>
    <div
      class="flex min-h-16 shrink-0 flex-wrap items-center gap-x-4 border-b-2 max-sm:gap-y-1.5 bg-bay px-5 max-lg:pt-2 lg:flex-nowrap"
    >
      <RouterLink to="/"><UnitTag :tag="tag" /><span class="sr-only">, back to the board</span></RouterLink>
      <div class="min-w-0 flex-1 max-sm:min-w-[200px]">
        <h1 class="truncate text-[18px] font-bold leading-tight">{{ title }}</h1>
        <p class="truncate text-[15px] leading-tight text-secondary">{{ sub }}</p>
      </div>
      <slot name="rail"><StageRule :stages="data?.stages ?? []" :here="here" /></slot>
      <NameMenu />
    </div>
    <ClosedLine v-if="data?.closed_at" :job="job" :day="day(data.closed_at)" />
  </header>
</template>
