<script setup lang="ts">
/** Causes in the order of their evidence, for and against; no figure is put on them. */
import type { InspectView } from "../../api/client";
import type { InspectDesk } from "./useInspect";

const props = defineProps<{ desk: InspectDesk; view: InspectView; closed?: boolean }>();
const leads = (key: string) =>
  props.view.diagnosis.leading.includes(key) || props.view.diagnosis.besides.includes(key);
const named = (key: string) => props.view.named.includes(key);
</script>

<template>
  <ol class="mt-4" data-causes>
    <li v-for="c in view.diagnosis.ranked" :key="c.key" class="border-t-2 py-3" :data-cause="c.key">
      <div class="flex items-center justify-between gap-3">
        <h2 class="text-[21px] leading-tight" :class="leads(c.key) ? 'font-bold' : 'font-semibold'">
          {{ c.label }}
        </h2>
        <button
          type="button"
          class="control"
          :disabled="named(c.key) || closed"
          data-name-cause
          @click="desk.write('cause', { cause: c.key })"
        >
          {{ named(c.key) ? "Named" : "Name it" }}
        </button>
      </div>
      <p v-if="c.fors.length"><strong>For:</strong> {{ c.fors.join("; ") }}</p>
      <p v-if="c.against.length"><strong class="text-danger">Against:</strong> {{ c.against.join("; ") }}</p>
      <p v-if="c.follows.length">May be the consequence of: {{ c.follows.join(", ") }}</p>
      <p v-if="c.hold" class="text-secondary">Puts a hold: {{ c.hold }}</p>
    </li>
  </ol>
</template>
