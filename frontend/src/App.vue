<script setup lang="ts">
import { ref, watch } from "vue";
import { RouterView } from "vue-router";
import { ownKeys } from "./composables/useKeys";
import { useSignIn } from "./composables/useMe";
import KeptBar from "./ui/kept/KeptBar.vue";
import LeftLine from "./ui/definition/LeftLine.vue";
import SignInPage from "./ui/people/SignInPage.vue";

ownKeys();
const { me, query, keep } = useSignIn();
/** Once somebody was in, the page stays beneath whatever is asked: nothing typed is lost. */
const wasIn = ref(false);
watch(
  () => me.value?.asks,
  (asks) => (wasIn.value ||= asks === ""),
  { immediate: true },
);
</script>

<template>
  <SignInPage
    v-if="me?.asks"
    :key="me.asks"
    :me="me"
    class="fixed inset-0 z-50 overflow-auto bg-surface"
    @in="keep"
  />
  <KeptBar />
  <div v-if="wasIn || query.error.value" class="contents" :inert="Boolean(me?.asks)">
    <LeftLine />
    <RouterView />
  </div>
</template>
