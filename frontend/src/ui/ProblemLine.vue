<script setup lang="ts">
/** A refusal: what was wrong, what to do; for a stale write both versions side by side. */
import { computed, useTemplateRef } from "vue";
import type { Problem } from "../api/client";
import { useEdge } from "../composables/useEdge";

const props = defineProps<{ problem: Problem; canRetry: boolean }>();
defineEmits<{ retry: []; letGo: [] }>();
useEdge("--refused", useTemplateRef<HTMLElement>("bar"));
const both = computed(() => props.problem.details as { theirs?: string[]; yours?: string });
</script>

<template>
  <section
    ref="bar"
    role="alert"
    class="sticky bottom-(--foot) z-2 border-t-4 border-danger bg-surface px-5 py-3"
    data-problem
  >
    <p class="text-[19px] font-bold text-danger">{{ problem.message }}</p>
    <p class="text-[16px]">{{ problem.next_step }}</p>
    <div v-if="problem.code === 'stale'" class="mt-2 grid gap-4 md:grid-cols-2">
      <div>
        <h3 class="zone-head">Yours, not written yet</h3>
        <p>{{ both.yours }}</p>
      </div>
      <div>
        <h3 class="zone-head">Written meanwhile</h3>
        <p v-for="(line, i) in both.theirs" :key="i">{{ line }}</p>
      </div>
    </div>
    <div class="mt-2 flex gap-3">
      <button v-if="canRetry" type="button" class="control control-main" @click="$emit('retry')">
        {{ problem.code === "stale" ? "Write mine too" : "Try again" }}
      </button>
      <button type="button" class="control" @click="$emit('letGo')">
        {{ problem.code === "stale" ? "Let mine go" : "Close" }}
      </button>
    </div>
  </section>
</template>
