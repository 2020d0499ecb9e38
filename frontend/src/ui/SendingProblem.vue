<script setup lang="ts">
/** What was refused of what a page sends, with the ways on; nothing while nothing was. */
import type { useSending } from "../composables/useSending";
import ProblemLine from "./ProblemLine.vue";

defineProps<{ sending: Pick<ReturnType<typeof useSending>, "problem" | "retry" | "letGo"> }>();
</script>

<template>
  <ProblemLine
    v-if="sending.problem.value"
    :problem="sending.problem.value"
    :can-retry="sending.retry.value !== null"
    @retry="sending.retry.value?.()"
    @let-go="sending.letGo"
  />
</template>
