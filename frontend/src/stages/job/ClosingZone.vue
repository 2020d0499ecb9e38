<script setup lang="ts">
/** What is still open, each with its way to settle it; closing, and opening again. */
import { computed, ref } from "vue";
import { RouterLink } from "vue-router";
import type { JobView } from "../../api/client";
import { useYard } from "../../composables/useYard";
import type { JobDesk } from "./useJob";

const props = defineProps<{ desk: JobDesk; job: JobView }>();
const { day } = useYard();
const why = ref("");
const first = computed(() => props.job.open_points.filter((p) => !p.may_stay));
const rest = computed(() => props.job.open_points.filter((p) => p.may_stay));
const close = async () => (await props.desk.close(why.value)) && (why.value = "");
const openAgain = async () => (await props.desk.openAgain(why.value)) && (why.value = "");
</script>

<template>
  <form v-if="job.closed_at" class="flex flex-col gap-3" data-open-again @submit.prevent="openAgain">
    <h2 class="zone-head border-b-2 pb-1">Closed {{ day(job.closed_at) }}</h2>
    <p>It takes nothing any more. What was written stays as it is.</p>
    <label>Why it is opened again<input v-model="why" class="field" name="why" required /></label>
    <button type="submit" class="control self-start">Open it again</button>
  </form>
  <form v-else class="flex flex-col gap-3" data-close @submit.prevent="close">
    <h2 class="zone-head border-b-2 pb-1">Close the job</h2>
    <template
      v-for="[words, points] in [
        ['First', first],
        ['May stay open, with a reason', rest],
      ] as const"
      :key="words"
    >
      <template v-if="points.length">
        <h3 class="font-bold" :class="words === 'First' ? 'text-danger' : ''">{{ words }}</h3>
        <ul class="-mt-2">
          <li
            v-for="p in points"
            :key="p.key"
            class="flex items-center gap-3 border-b-2 border-row py-1"
            :data-open-point="p.key"
          >
            <span class="min-w-0 flex-1 leading-tight wrap-anywhere first-letter:uppercase">{{
              p.words
            }}</span>
            <RouterLink
              v-if="p.key !== 'hours'"
              class="control min-h-11 shrink-0 px-3"
              :to="`/jobs/${job.id}${p.to}`"
              >Settle it</RouterLink
            >
          </li>
        </ul>
      </template>
    </template>
    <label v-if="rest.length"
      >Why it is closed with that open<input v-model="why" class="field" name="why" :required="!first.length"
    /></label>
    <button type="submit" class="control self-start" :disabled="first.length > 0">Close it</button>
  </form>
</template>
