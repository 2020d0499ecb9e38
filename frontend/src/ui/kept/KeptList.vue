<script setup lang="ts">
/** What waits to be sent, and what was refused: mine beside what another one did meanwhile. Nothing goes by itself. */
import type { Kept } from "../../api/kept/db";

defineProps<{ waiting: Kept[]; refused: Kept[] }>();
defineEmits<{ insist: [item: Kept]; drop: [item: Kept] }>();
const clock = (at: number) =>
  new Date(at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
</script>

<template>
  <div class="mb-2 max-h-[50vh] overflow-auto bg-surface px-4 py-2 text-words" data-kept-list>
    <ul>
      <li v-for="i in refused" :key="i.n" class="border-b-2 border-row py-2" data-refused>
        <p class="text-[18px]">
          <b>{{ i.label }}</b> of {{ clock(i.madeAt) }}, <span class="text-secondary">{{ i.about }}</span>
        </p>
        <p class="font-bold text-danger">{{ i.problem?.message }}</p>
        <div
          v-if="i.problem?.yours || i.problem?.theirs.length"
          class="mt-1 grid gap-x-8 wrap-anywhere md:grid-cols-2"
        >
          <div class="border-l-4 pl-3">
            <h3 class="zone-head">Mine</h3>
            <p>{{ i.problem.yours || i.label }}</p>
          </div>
          <div class="border-l-4 pl-3">
            <h3 class="zone-head">Meanwhile</h3>
            <ul>
              <li v-for="(line, n) in i.problem.theirs" :key="n">{{ line }}</li>
            </ul>
          </div>
        </div>
        <div class="mt-1 flex flex-wrap gap-2">
          <button type="button" class="control px-3" data-insist @click="$emit('insist', i)">
            Write mine down too
          </button>
          <button type="button" class="control px-3" data-drop @click="$emit('drop', i)">
            Leave mine out
          </button>
        </div>
      </li>
      <li
        v-for="i in waiting"
        :key="i.n"
        class="flex min-h-11 flex-wrap items-center gap-x-4 border-b border-row text-[17px]"
        data-waiting
      >
        <b>{{ i.label }}</b><span class="flex-1 text-secondary">{{ i.about }}</span
        ><span>{{ clock(i.madeAt) }}</span>
      </li>
    </ul>
  </div>
</template>
