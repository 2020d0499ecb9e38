<script setup lang="ts">
/** Takes a job in from an exchange file; what the yard already has is left alone. */
import { useQueryClient } from "@tanstack/vue-query";
import { useRouter } from "vue-router";
import { sendFile } from "../api/client";
import { useSending } from "../composables/useSending";

const router = useRouter();
const client = useQueryClient();
const { trouble, send } = useSending();
async function chosen(event: Event) {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (!file) return;
  await send(async () => {
    const { job_id: job } = await sendFile<{ job_id: string }>("/api/jobs/imports", file);
    await client.invalidateQueries({ queryKey: ["board"] });
    await router.push(`/jobs/${job}`);
  });
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
