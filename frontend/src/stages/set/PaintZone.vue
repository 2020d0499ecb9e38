<script setup lang="ts">
/** The flank that is to be painted, large: over its witness, over a photo of the marked tooth if one is laid under. */
import { computed, onMounted, ref, watch } from "vue";
import type { Flank } from "../../api/client";
import FlankPainter from "../../marks/FlankPainter.vue";
import { maskOf } from "../../marks/flankShape";
import PhotoUnder from "./PhotoUnder.vue";
import type { SetPageState } from "./useSetPage";

const props = defineProps<{ page: SetPageState; scene: Flank }>();
const painter = ref<InstanceType<typeof FlankPainter> | null>(null);
const photo = ref("");
const choosing = ref(false);
/** What lies beneath: not what is being painted. */
const beneath = computed(() => ({
  ...props.scene,
  patches: props.scene.patches.filter((p) => p.role !== "painted"),
}));
onMounted(() => {
  painter.value?.focus();
  const before = props.scene.patches.find((p) => p.role === "painted");
  if (before && !props.page.paint.some((row) => row.some((v) => v)))
    props.page.paintOn(maskOf(before.points));
});
watch(
  () => props.page.live,
  () => painter.value?.focus(),
);
</script>

<template>
  <div data-paint-zone :data-side="scene.side">
    <FlankPainter
      ref="painter"
      :model-value="page.paint"
      @update:model-value="page.paintOn"
      :label="page.liveCell?.label ?? scene.label"
      :scene="beneath"
      :photo="photo || undefined"
    >
      <button
        type="button"
        class="control"
        :aria-expanded="choosing"
        data-photo-open
        @click="choosing = !choosing"
      >
        {{ photo ? "Other photo" : "Lay a photo under" }}
      </button>
    </FlankPainter>
    <PhotoUnder
      v-if="choosing && page.view"
      :job="page.view.job.id"
      :taper="scene.taper ?? 0.22"
      @laid="(url) => (photo = url)"
      @mask="page.paintOn"
      @close="choosing = false"
    />
  </div>
</template>
