<script setup lang="ts">
import { reactive } from "vue";
import type { StripDesk } from "./useStrip";

const props = defineProps<{ desk: StripDesk }>();
const draft = reactive({ points: "", key_holder: "" });
const write = () => void props.desk.write({ kind: "locked_out", body: { ...draft } });
</script>

<template>
  <form
    class="flex max-w-[760px] flex-col gap-4 border-l-4 border-danger pl-4"
    data-lock-out
    @submit.prevent="write"
  >
    <h2 class="text-[26px] font-bold text-danger">Lock out and tag out</h2>
    <p class="text-[18px]">
      Isolation is for those who hold the licence. Prove it dead, block what can fall or turn, let stored
      pressure out.
    </p>
    <label
      >What is locked, blocked and drained<input v-model="draft.points" class="field" name="points" required
    /></label>
    <label
      >Who holds the key<input v-model="draft.key_holder" class="field" name="key_holder" required
    /></label>
    <button type="submit" class="control control-main self-start">It is locked out</button>
  </form>
</template>
