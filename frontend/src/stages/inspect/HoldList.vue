<script setup lang="ts">
/** Holds on the build; each is cleared in words. */
import { ref } from "vue";
import type { InspectView } from "../../api/client";
import type { InspectDesk } from "./useInspect";

defineProps<{ desk: InspectDesk; holds: InspectView["holds"] }>();
const words = ref<Record<string, string>>({});
</script>

<template>
  <ul class="mt-4" data-holds>
    <li
      v-for="h in holds"
      :key="h.cause"
      class="border-l-4 py-2 pl-4"
      :class="h.cleared ? '' : 'border-danger'"
    >
      <p class="text-[19px] font-bold">Hold: {{ h.words }}</p>
      <p v-if="h.cleared">Cleared: {{ h.cleared }}</p>
      <form
        v-else
        class="mt-1 flex gap-3"
        @submit.prevent="desk.write('hold_cleared', { cause: h.cause, words: words[h.cause] ?? '' })"
      >
        <input
          v-model="words[h.cause]"
          class="field"
          name="cleared"
          required
          :aria-label="`How the hold is cleared: ${h.label}`"
          placeholder="what was done and seen"
        />
        <button type="submit" class="control shrink-0">Cleared</button>
      </form>
    </li>
  </ul>
</template>
