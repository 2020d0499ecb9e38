<script setup lang="ts">
/** Contact painted on one flank, by finger, mouse or keys. */
import { computed, ref } from "vue";
import type { Cell } from "../../../api/client";
import FlankPainter from "../../../marks/FlankPainter.vue";
import { bareFlank } from "../../../marks/flankShape";

const props = defineProps<{ cell: Cell }>();
defineEmits<{ take: [what: { value: unknown }] }>();
const mask = ref(bareFlank());
const flank = computed(() => String(props.cell.axes["flank"] ?? "drive"));
const painted = computed(() => mask.value.some((row) => row.some((v) => v)));
</script>

<template>
  <div class="mt-2" data-live>
    <FlankPainter v-model="mask" :label="cell.label" />
    <button
      type="button"
      class="control control-main"
      :disabled="!painted"
      data-take-paint
      @click="$emit('take', { value: { flank, mask } })"
    >
      That is what is seen
    </button>
  </div>
</template>
