<script setup lang="ts">
/** What was left unsaved on the page before: that it is kept, and the way back to it. */
import { computed } from "vue";
import { useRoute } from "vue-router";
import { draftPath, leftBehind, leftWords } from "./useDraft";

const route = useRoute();
const said = computed(() => leftBehind.value && !route.path.startsWith("/types"));
</script>

<template>
  <p
    v-if="leftBehind && said"
    class="flex flex-wrap items-center gap-3 border-b-2 bg-surface px-5 py-2 font-semibold"
    role="status"
    data-left-behind
  >
    <span class="min-w-0 flex-1 break-words">{{ leftWords }}</span>
    <RouterLink :to="draftPath(leftBehind.id)" class="control" @click="leftBehind = null"
      >Go on with it</RouterLink
    >
    <button type="button" class="control" @click="leftBehind = null">Leave it</button>
  </p>
</template>
