<script setup lang="ts">
/** What was typed and no station took: refused in words, or kept at the station where it was typed. */
import type { SetPageState } from "./useSetPage";

const props = defineProps<{ page: SetPageState }>();
const labelOf = (slot: string) =>
  props.page.sheet?.cells.find((c) => c.slot === slot)?.label ?? "at another station";
</script>

<template>
  <div
    v-if="page.refused || page.left.length"
    class="flex flex-col gap-1 border-b-2 border-danger px-5 py-2"
    data-not-taken
  >
    <p v-if="page.refused" role="alert" class="font-bold text-danger">{{ page.refused }}</p>
    <p v-for="[slot, text] in page.left" :key="slot" class="flex flex-wrap items-center gap-3">
      <span
        >Typed and not taken: <strong>{{ text }}</strong>, {{ labelOf(slot) }}.</span
      >
      <button type="button" class="control min-h-11 px-3" @click="page.pick(slot)">Go there</button>
      <button type="button" class="control min-h-11 px-3" @click="page.letGo(slot)">Let it go</button>
    </p>
  </div>
</template>
