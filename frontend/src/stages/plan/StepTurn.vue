<script setup lang="ts">
/** The free turn after a step: dashed until the last bolt, then one tap says how it feels. */
import { computed } from "vue";
import type { PlanView, StepView } from "../../api/client";

const props = defineProps<{ view: PlanView; step: StepView; open: boolean }>();
defineEmits<{ turn: [feel: string] }>();
const before = computed(() => {
  const last = props.view.turns.filter((t) => t.shaft === props.step.turn).at(-1);
  return last ? `was ${last.words}${last.drag ? `, ${last.drag} N·m` : ""}` : "not turned before";
});
</script>

<template>
  <section class="min-w-0 max-w-[430px]" aria-label="Free turn" data-step-turn>
    <p class="flex flex-wrap items-baseline justify-between gap-3">
      <b class="text-[19px]">Then turn {{ step.turn_label }} by hand, five turns</b>
      <span class="text-secondary">{{ before }}</span>
    </p>
    <div class="mt-2 flex flex-wrap gap-2">
      <button
        v-for="(f, i) in view.feels"
        :key="f.key"
        type="button"
        class="control min-h-[76px] w-[78px] flex-col gap-1 px-1 text-center text-[16px] leading-tight"
        :disabled="!open"
        :data-feel="f.key"
        @click="$emit('turn', f.key)"
      >
        {{ f.label }}<span class="text-[16px]">{{ i + 1 }}</span>
      </button>
    </div>
  </section>
</template>
