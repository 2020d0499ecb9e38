<script setup lang="ts">
/** The parts with their verdicts; one of them large. */
import { computed, nextTick, onMounted, watch } from "vue";
import type { InspectView } from "../../api/client";
import type { InspectDesk } from "./useInspect";
import { useKeys } from "../../composables/useKeys";
import PartPane from "./PartPane.vue";
import PartRow from "./PartRow.vue";

const props = defineProps<{ desk: InspectDesk; view: InspectView }>();
const done = (p: { chosen: string; stale: boolean }) => p.chosen !== "" && !p.stale;
const picked = defineModel<string | null>({ required: true });
picked.value ??= props.view.parts.find((p) => !done(p))?.key ?? props.view.parts[0]?.key ?? null;
const part = computed(() => props.view.parts.find((p) => p.key === picked.value));
function step(by: number) {
  const at = props.view.parts.findIndex((p) => p.key === picked.value);
  picked.value = props.view.parts[at + by]?.key ?? picked.value;
}
/** After a verdict: the next part without one, from here on round. */
function next() {
  const list = props.view.parts;
  const at = list.findIndex((p) => p.key === picked.value);
  const round = [...list.slice(at + 1), ...list.slice(0, at)];
  picked.value = round.find((p) => !done(p))?.key ?? picked.value;
}
const show = async (key: string | null) => {
  await nextTick();
  document.querySelector(`[data-part="${key}"]`)?.scrollIntoView({ block: "nearest" });
};
watch(picked, show);
onMounted(() => show(picked.value));
useKeys((event) => {
  if (event.key === "ArrowLeft") step(-1);
  else if (event.key === "ArrowRight") step(1);
  else return false;
  return true;
});
</script>

<template>
  <div class="grid flex-1 content-stretch lg:grid-cols-[360px_1fr]">
    <section class="border-r-2 max-lg:border-b-2 max-lg:border-r-0" aria-label="Parts">
      <ul class="overflow-y-auto max-lg:max-h-[168px] lg:max-h-[max(430px,calc(100vh-238px))]" data-parts>
        <PartRow
          v-for="p in view.parts"
          :key="p.key"
          :part="p"
          :here="p.key === picked"
          @pick="picked = p.key"
        />
      </ul>
      <p v-if="!view.parts.length" class="px-5 py-4 text-[18px]">No parts are listed for this unit.</p>
    </section>
    <PartPane v-if="part" :key="part.key" :desk="desk" :view="view" :part="part" @next="next" />
  </div>
</template>
