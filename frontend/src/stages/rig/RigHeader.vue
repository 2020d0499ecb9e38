<script setup lang="ts">
/** A rig's header: a dashed tag, for nothing here goes on a record; the nine rigs with how they went. */
import { useQuery } from "@tanstack/vue-query";
import { useTitle } from "@vueuse/core";
import { computed } from "vue";
import type { components } from "../../api/schema";
import { useMechanics } from "../../composables/useActor";
import { learnerCodeOfYard } from "../../composables/useLearner";
import VerdictMark from "../../marks/VerdictMark.vue";

const props = defineProps<{ number: number; sort: string; title: string }>();
useTitle(() => `Rig ${props.number}, ${props.title.toLowerCase()}`);
const { data: people } = useMechanics();
const name = computed(() => people.value?.[0]?.name ?? "");
/** The row lies in the yard, not in the rig's own: the code of whoever came here from there. */
const code = learnerCodeOfYard();
const { data } = useQuery({
  queryKey: ["practice"],
  queryFn: async () => {
    const answer = await fetch("/api/practice", { headers: { "X-Learner": code } });
    return (await answer.json()) as components["schemas"]["PracticeView"];
  },
});
const step = computed(
  () => data.value?.row.find((r) => r.sort === props.sort && r.number === props.number)?.step ?? 0,
);
</script>

<template>
  <header
    class="flex min-h-16 flex-wrap items-center gap-x-4 border-b-2 bg-bay px-5 max-lg:py-2 lg:flex-nowrap"
  >
    <a href="/practice" class="relative inline-flex h-11 min-w-[112px] items-center justify-center px-2">
      <svg
        class="absolute inset-0 h-full w-full"
        viewBox="0 0 112 44"
        preserveAspectRatio="none"
        aria-hidden="true"
      >
        <path
          d="M11 1 H111 V43 H11 L1 33 V11 Z"
          fill="var(--surface)"
          stroke="var(--found)"
          stroke-width="2"
          stroke-dasharray="5 4"
        />
        <circle cx="15" cy="22" r="4.5" fill="none" stroke="var(--found)" stroke-width="2" />
      </svg>
      <span class="relative pl-5 text-[20px] font-bold">RIG {{ number }}</span
      ><span class="sr-only">, back to the rigs</span>
    </a>
    <div class="min-w-0 flex-1">
      <h1 class="truncate text-[18px] leading-tight font-bold">Practice: {{ title.toLowerCase() }}</h1>
      <p class="truncate text-[15px] leading-tight text-secondary">Made up. Nothing here goes on a record.</p>
    </div>
    <nav aria-label="The nine rigs" class="flex self-stretch max-sm:w-full" data-rig-row>
      <a
        v-for="r in data?.row ?? []"
        :key="r.step"
        :href="r.path || '/practice'"
        class="flex min-h-14 w-[52px] flex-col max-sm:w-auto max-sm:flex-1 items-center justify-center border-l-2 text-[17px] font-bold last:border-r-2"
        :class="r.step === step ? 'bg-here text-on-here' : r.result ? '' : 'border-dashed'"
        :aria-label="`Rig ${r.step}: ${r.title}${r.result ? `, ${r.result}` : ''}`"
        :aria-current="r.step === step ? 'page' : undefined"
        >{{ r.step
        }}<VerdictMark
          v-if="r.result"
          :code="r.mark"
          class="h-4 w-8"
          :class="r.result === 'out' && r.step !== step ? 'text-danger' : ''"
      /></a>
    </nav>
    <span class="max-w-[190px] truncate border-2 px-3 py-2 text-[16px] font-semibold">{{ name }}</span>
  </header>
</template>
