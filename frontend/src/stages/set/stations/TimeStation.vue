<script setup lang="ts">
/** A time: Space starts and stops the watch, or the seconds are typed. */
import { onBeforeUnmount, ref } from "vue";
import type { Cell } from "../../../api/client";
import { useKeys } from "../../../composables/useKeys";
import ScalarStation from "./ScalarStation.vue";

defineProps<{ cell: Cell; dense?: boolean }>();
const text = defineModel<string>({ required: true });
const started = ref<number | null>(null);
let tick = 0;
const seconds = () => ((performance.now() - (started.value ?? performance.now())) / 1000).toFixed(1);
function press() {
  if (started.value === null) {
    started.value = performance.now();
    tick = window.setInterval(() => (text.value = seconds()), 100);
    return;
  }
  text.value = seconds();
  started.value = null;
  window.clearInterval(tick);
}
useKeys((event) => {
  if (event.key !== " " || event.repeat) return false;
  press();
  return true;
});
onBeforeUnmount(() => window.clearInterval(tick));
</script>

<template>
  <span class="flex flex-1 items-stretch">
    <ScalarStation v-model="text" :cell="cell" :dense="dense" />
    <button
      type="button"
      class="border-l-2 border-current px-3 text-[17px] font-bold"
      data-watch
      @click="press"
    >
      {{ started === null ? "start" : "stop" }}
    </button>
  </span>
</template>
