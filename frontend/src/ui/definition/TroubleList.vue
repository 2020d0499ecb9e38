<script setup lang="ts">
/** What does not hold yet: each thing by its name, with the way to where it is mended. */
import { computed, ref } from "vue";
import type { Trouble } from "../../api/client";

const props = defineProps<{ troubles: Trouble[] }>();
defineEmits<{ go: [trouble: Trouble] }>();
const FEW = 4;
const all = ref(false);
const shown = computed(() => (all.value ? props.troubles : props.troubles.slice(0, FEW)));
</script>

<template>
  <section
    v-if="troubles.length"
    class="border-t-2 px-5 py-3"
    aria-label="What does not hold yet"
    data-problems
  >
    <h2 class="zone-head" role="status">
      {{
        troubles.length === 1 ? "One thing does not hold yet" : `${troubles.length} things do not hold yet`
      }}
    </h2>
    <ul>
      <li v-for="t in shown" :key="t.path" class="flex items-start gap-3 border-b-2 border-row py-1">
        <span class="min-w-0 flex-1 break-words py-2 font-semibold text-danger" :data-trouble="t.path">{{
          t.words
        }}</span>
        <button v-if="t.row >= 0" type="button" class="control px-3" @click="$emit('go', t)">Mend</button>
      </li>
    </ul>
    <button v-if="troubles.length > FEW" type="button" class="control mt-2" @click="all = !all">
      {{ all ? "Fewer" : `All ${troubles.length}` }}
    </button>
  </section>
</template>
