<script setup lang="ts">
/** While nothing is here yet, and when nothing comes: what is wrong and what to do, in the shop's shell. */
import { useQueryClient } from "@tanstack/vue-query";
import { useIntervalFn } from "@vueuse/core";
import { computed } from "vue";
import { RouterLink } from "vue-router";
import { Refusal } from "../api/client";
import ShopHeader from "../ui/ShopHeader.vue";

const AGAIN_MS = 4000;
/** `bare`: the page has its own shell around this. */
const props = defineProps<{ problem: Error | null; bare?: boolean }>();
const client = useQueryClient();
const refusal = computed(() => (props.problem instanceof Refusal ? props.problem.problem : null));
const unreachable = computed(() => refusal.value?.code === "unreachable");
useIntervalFn(() => {
  if (unreachable.value) void client.refetchQueries({ type: "active" });
}, AGAIN_MS);
const title = computed(() => (!props.problem ? "" : unreachable.value ? "No answer" : "Not here"));
const next = computed(() =>
  unreachable.value
    ? "Nothing that was entered is lost. The page asks again by itself."
    : (refusal.value?.next_step ?? ""),
);
</script>

<template>
  <ShopHeader v-if="!bare" :title="title" sub="" />
  <main class="flex flex-col gap-4 p-8">
    <template v-if="problem">
      <p class="say" data-trouble>{{ problem.message }}</p>
      <p class="text-[18px]">{{ next }}</p>
      <RouterLink v-if="bare" to="/" class="control self-start">Board</RouterLink>
    </template>
    <p v-else class="say text-secondary" aria-busy="true">Fetching the bench…</p>
  </main>
</template>
