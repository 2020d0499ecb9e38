<script setup lang="ts">
/** Any other address at a rig leads to the rig's own page: nothing of it is told anywhere else. */
import { watch } from "vue";
import WaitPage from "../WaitPage.vue";
import { useRig } from "./useRig";

const { rig, query } = useRig();
watch(rig, (found) => found && window.location.replace(found.path), { immediate: true });
</script>

<template><WaitPage :problem="query.error.value" /></template>
