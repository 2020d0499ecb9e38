<script setup lang="ts">
/** Baselines that this removal would end: written down first, or let go with a reason. */
import { ref } from "vue";

defineProps<{ lost: { key: string; ask: string; loss: string }[]; part: string }>();
defineEmits<{ letGo: [why: string]; back: [] }>();
const why = ref("");
</script>

<template>
  <form
    class="flex max-w-[800px] flex-col gap-3 border-l-4 border-danger pl-4"
    role="alert"
    data-let-go
    @submit.prevent="$emit('letGo', why)"
  >
    <h2 class="text-[26px] font-bold leading-tight text-danger">
      With the {{ part.toLowerCase() }} off, this can no longer be had
    </h2>
    <ul class="text-[18px]">
      <li v-for="l in lost" :key="l.key" class="border-b-2 border-row py-2">
        <strong>{{ l.loss }}</strong> <span class="text-secondary">{{ l.ask }}</span>
      </li>
    </ul>
    <label>Let it go because<input v-model="why" class="field" name="why" required autofocus /></label>
    <div class="flex gap-3">
      <button type="button" class="control control-main" @click="$emit('back')">Write it down first</button>
      <button type="submit" class="control">Let it go</button>
    </div>
  </form>
</template>
