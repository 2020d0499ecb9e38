<script setup lang="ts">
/** One step on the upright rule: its number, what it is, its kind, and on the tray what it takes. */
import { computed } from "vue";
import type { PlanTray, StepView } from "../../api/client";
import StepKinds from "./StepKinds.vue";

const props = defineProps<{
  step: StepView;
  number: number;
  tray: PlanTray[];
  chosen: boolean;
  /** Within the window of the step in hand. */
  wanted: boolean;
  /** Where the step in hand would land. */
  landing: boolean;
  bound: string;
  late: string;
  /** Without what would shut it out. */
  bare?: boolean;
}>();
defineEmits<{ choose: [] }>();
const done = computed(() => !["ready", "held"].includes(props.step.state));
const shut = computed(() => Math.max(0, ...props.tray.map((t) => t.shut_by)));
</script>

<template>
  <div
    class="grid grid-cols-[56px_1fr_auto] items-stretch md:grid-cols-[96px_52px_1fr_auto_minmax(190px,26%)]"
    :class="[
      landing ? 'outline-2 -outline-offset-2 outline-dashed outline-found' : '',
      chosen ? 'bg-here text-on-here' : '',
    ]"
    :data-step="step.key"
    :data-state="step.state"
  >
    <span class="hidden items-end justify-end pr-2 text-[15px] text-secondary md:flex">{{ bound }}</span>
    <span
      class="drag-number flex min-h-11 cursor-grab items-center justify-center border-b-2 text-[24px] font-bold leading-none md:text-[28px]"
      :class="
        landing || (chosen && late)
          ? 'border-move-edge bg-move text-move-edge outline-2 -outline-offset-2 outline-move-edge'
          : wanted
            ? 'border-surface bg-wanted text-white'
            : done
              ? 'border-surface bg-found text-surface'
              : 'border-surface bg-neutral text-found'
      "
      >{{ number }}</span
    >
    <button
      type="button"
      class="min-w-0 border-b-2 border-row py-px pl-3 text-left md:pl-4"
      :aria-pressed="chosen"
      @click="$emit('choose')"
    >
      <span class="block truncate text-[19px] font-bold leading-tight" style="font-stretch: 89%">{{
        step.label
      }}</span>
      <span
        class="block truncate text-[15px] leading-tight"
        :class="chosen ? '' : 'text-secondary'"
        style="font-stretch: 88%"
        >{{ step.how || step.line || step.origin }}</span
      >
    </button>
    <StepKinds :step="step" :late="late" class="border-b-2 border-row px-2" />
    <span
      class="hidden min-w-0 items-center gap-2 overflow-hidden border-b-2 border-l-2 border-row px-3 md:flex"
    >
      <span
        v-for="t in tray.slice(0, 1)"
        :key="t.part"
        class="truncate border-2 px-2 py-0.5 text-[15px] font-semibold"
        :class="t.trapped ? 'border-move-edge bg-move text-move-edge' : 'border-found bg-neutral text-found'"
        :title="t.where"
        >{{ t.count > 1 ? `${t.count} × ` : "" }}{{ t.label }}</span
      >
      <span v-if="tray.length > 1" class="shrink-0 whitespace-nowrap text-[16px] font-semibold"
        >+ {{ tray.length - 1 }}</span
      >
      <span v-if="tray.length && !bare" class="ml-auto shrink-0 text-[22px] font-bold"
        >{{ shut || "" }}<span v-if="!shut" class="text-[15px] font-medium">none</span></span
      >
    </span>
  </div>
</template>
