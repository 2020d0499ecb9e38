<script setup lang="ts">
/** Every time on the bench, the newest first. */
import { computed } from "vue";
import { RouterLink } from "vue-router";
import type { LifeView } from "../../api/client";

const props = defineProps<{ view: LifeView }>();
const visits = computed(() => [...props.view.visits].reverse());
</script>

<template>
  <ul class="px-5 py-3" data-visits>
    <li
      v-for="v in visits"
      :key="v.job_id"
      class="grid items-center gap-x-4 border-b-2 border-row py-2 md:grid-cols-[130px_120px_1fr_auto]"
    >
      <strong class="text-[20px]">{{ v.day }}</strong>
      <span>{{ v.hours }}</span>
      <span class="min-w-0 wrap-anywhere"
        >{{ v.complaint
        }}<span class="block text-secondary"
          >{{ v.signed }} of {{ v.settings }} signed, {{ v.closed ? `closed ${v.closed}` : "open" }}</span
        ></span
      >
      <RouterLink class="control" :to="`/jobs/${v.job_id}/record`">Its record</RouterLink>
    </li>
  </ul>
</template>
