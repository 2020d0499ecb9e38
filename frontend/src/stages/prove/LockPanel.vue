<script setup lang="ts">
/** Locks that hang: each comes off by whoever hung it. */
import { ref } from "vue";
import type { ProveView } from "../../api/client";
import type { ProveDesk } from "./useProve";

defineProps<{ locks: ProveView["locks"]; desk: ProveDesk }>();
const words = ref("");
</script>

<template>
  <ul class="flex flex-col gap-3" data-locks>
    <li v-for="l in locks" :key="l.fact" class="flex flex-col gap-2 border-t-2 pt-3">
      <p class="text-[18px]">
        <strong>{{ l.points }}</strong><br />hung by {{ l.by }}
      </p>
      <label
        >If another takes it off: by whose authority<input
          v-model="words"
          class="field"
          name="authority"
          maxlength="300"
      /></label>
      <button
        type="button"
        class="control control-main min-h-[64px] text-[20px]"
        data-lock-off
        @click="desk.write('lock_off', { lock: l.fact, words })"
      >
        The lock is off
      </button>
    </li>
  </ul>
</template>
