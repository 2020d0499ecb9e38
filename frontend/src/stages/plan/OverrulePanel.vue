<script setup lang="ts">
/** What speaks against a place in the order; each need may be overruled with a reason, and then it goes there. */
import { ref } from "vue";
import type { Problem } from "../../api/client";

export interface Weak {
  before: string;
  after: string;
  words: string;
}
const props = defineProps<{ problem: Problem }>();
defineEmits<{ overrule: [needs: Weak[], why: string]; back: [] }>();
const needs = () => (props.problem.details as { needs?: Weak[] }).needs ?? [];
const why = ref("");
</script>

<template>
  <form
    class="flex flex-col gap-3 border-t-4 border-danger bg-surface px-5 py-3"
    role="alert"
    data-overrule
    @submit.prevent="$emit('overrule', needs(), why)"
  >
    <p class="text-[19px] font-bold text-danger">{{ problem.message }}</p>
    <ul>
      <li v-for="n in needs()" :key="n.words" class="text-[17px]">{{ n.words }}</li>
    </ul>
    <label class="max-w-[640px]"
      >It is not so here, because<input v-model="why" class="field" name="why" required
    /></label>
    <div class="flex gap-3">
      <button type="button" class="control control-main" @click="$emit('back')">
        Leave it where it is <span class="keycap">Esc</span>
      </button>
      <button type="submit" class="control">Overrule and put it there</button>
    </div>
  </form>
</template>
