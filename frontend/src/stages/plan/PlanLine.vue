<script setup lang="ts">
/** The build order standing upright: steps, lids between them, the tray beside. Dragged by the number. */
import { computed, ref } from "vue";
import { VueDraggable } from "vue-draggable-plus";
import type { PlanView, StepView } from "../../api/client";
import LidRow from "./LidRow.vue";
import PlanRow from "./PlanRow.vue";
import type { PlanLineState } from "./usePlanLine";

/** `bare`: only what lies there is moved; nothing is written or turned. */
const props = defineProps<{ view: PlanView; line: PlanLineState; bare?: boolean }>();
const emit = defineEmits<{ move: [step: string, after: string]; own: []; turns: [] }>();
const unfolded = ref(false);
const rows = computed(() => props.line.shown.value);
/** The done ones fold to one line; the last one stays in sight. */
const folded = computed(() => (unfolded.value ? 0 : Math.max(0, props.view.done - 1)));
const open = computed({
  get: () => rows.value.filter((r) => r.ghost || r.step.number > folded.value),
  set: () => undefined,
});
const trayOf = (s: StepView) => props.view.tray.filter((t) => t.step === s.key);
const loose = computed(() => props.view.tray.filter((t) => !t.step));
const lidsOf = (s: StepView) => props.view.lids.filter((l) => l.step === s.key);
function dropped(event: { oldIndex?: number | undefined; newIndex?: number | undefined }) {
  const from = open.value[event.oldIndex ?? -1];
  if (!from || event.newIndex === undefined || event.newIndex === event.oldIndex) return;
  const others = open.value.filter((r) => r !== from).slice(0, event.newIndex);
  const above = others.reverse().find((r) => !r.ghost && r.step.key !== from.step.key);
  const before = above?.step ?? props.view.steps[folded.value - 1];
  emit("move", from.step.key, before?.key ?? "");
}
</script>

<template>
  <section class="min-w-0 flex-1" aria-label="Build order" data-line>
    <header
      class="flex min-h-11 items-center gap-5 border-b-2 px-4 text-[16px] font-semibold md:grid md:grid-cols-[148px_1fr_minmax(190px,26%)] md:gap-0 md:px-0"
    >
      <span class="hidden md:block"></span>
      <span class="flex flex-wrap gap-5 md:pl-4">
        <button v-if="view.done > 1" type="button" class="min-h-11 underline" @click="unfolded = !unfolded">
          {{ unfolded ? "Fold what is in" : `1 to ${folded} are in` }}
        </button>
        <button v-if="!bare" type="button" class="min-h-11 underline" data-own @click="$emit('own')">
          Own step <span class="keycap no-underline">+</span>
        </button>
        <button v-if="!bare" type="button" class="min-h-11 underline" data-to-turns @click="$emit('turns')">
          Turns <span class="keycap no-underline">f</span>
        </button>
      </span>
      <span class="hidden justify-between px-3 md:flex"
        ><b>On the tray</b><span v-if="!bare" class="font-medium text-secondary">shut out by</span></span
      >
    </header>
    <VueDraggable
      v-model="open"
      tag="ol"
      handle=".drag-number"
      :animation="120"
      :force-fallback="true"
      :delay="150"
      :delay-on-touch-only="true"
      @end="dropped"
    >
      <li v-for="r in open" :key="r.step.key + r.ghost">
        <template v-if="!r.ghost"><LidRow v-for="l in lidsOf(r.step)" :key="l.words" :lid="l" /></template>
        <PlanRow
          :step="r.step"
          :number="r.step.number"
          :tray="r.ghost ? [] : trayOf(r.step)"
          :chosen="!r.ghost && line.chosen.value?.key === r.step.key"
          :landing="r.ghost"
          :wanted="!r.ghost && line.wanted(r.step)"
          :bound="r.ghost ? 'lands here' : line.bound(r.step)"
          :bare="bare"
          :late="r.ghost ? '' : line.late(r.step)"
          @choose="line.pick(r.step.key)"
        />
      </li>
    </VueDraggable>
    <p v-if="loose.length" class="px-4 py-2 text-[16px] md:pl-[164px]" data-loose>
      <b>On the tray, in no step:</b> {{ loose.map((t) => t.label).join(", ") }}
    </p>
  </section>
</template>
