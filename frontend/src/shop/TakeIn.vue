<script setup lang="ts">
/** Takes a job in from an exchange file; what the yard already has is left alone. */
import { useQueryClient } from "@tanstack/vue-query";
import { ref } from "vue";
import { useRouter } from "vue-router";
import { takeIn, Refusal } from "../api/client";

const router = useRouter();
const client = useQueryClient();
const trouble = ref("");
async function chosen(event: Event) {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (!file) return;
  try {
    const job = await takeIn(file);
    await client.invalidateQueries({ queryKey: ["board"] });
    await router.push(`/jobs/${job}`);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    trouble.value = `${error.message} ${error.problem.next_step}`;
  }
  input.value = "";
}
</script>

<template>
  <div class="flex flex-wrap items-center gap-4 px-5 py-3">
    <label class="control"
      >Take a job in from an exchange file<input
        type="file"
        accept=".zip,application/zip"
        class="sr-only"
        data-take-in
        @change="chosen"
    /></label>
    <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
  </div>
</template>
