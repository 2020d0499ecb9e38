<script setup lang="ts">
/** Parts to look at: each tells in the words of the eye what is there; what it is evidence of the learner writes down. */
import { computed, ref } from "vue";
import type { InspectView, RigView } from "../../api/client";
import EvidenceRow from "../inspect/EvidenceRow.vue";
import type { InspectDesk } from "../inspect/useInspect";

const props = defineProps<{ rig: RigView; desk: InspectDesk; view: InspectView }>();
defineEmits<{ look: [key: string] }>();
const box = ref<HTMLElement | null>(null);
const evidence = computed(() => new Map(props.view.evidence.map((e) => [e.key, e])));
const signsOf = (keys: string[]) => keys.flatMap((k) => evidence.value.get(k) ?? []);
const open = (keys: string[]) => signsOf(keys).filter((e) => e.seen === "not looked");
async function restIsNotThere(keys: string[]) {
  for (const e of open(keys)) await props.desk.write("evidence", { evidence: e.key, seen: "absent" });
}
/** The arrows go from part to part. */
function step(by: number): boolean {
  const all = [...(box.value?.querySelectorAll<HTMLButtonElement>("[data-look]") ?? [])];
  const at = all.findIndex((b) => b === document.activeElement);
  all[at < 0 ? 0 : (at + by + all.length) % all.length]?.focus();
  return true;
}
defineExpose({ step });
</script>

<template>
  <section ref="box" class="px-5 py-3" aria-label="Parts to look at" data-parts>
    <div class="flex flex-wrap items-baseline justify-between gap-x-4">
      <h2 class="text-[20px] font-bold">Parts to look at</h2>
      <p class="text-[15px] text-secondary">six minutes each: a tenth of a teardown</p>
    </div>
    <ul class="mt-2 grid items-start gap-3 lg:grid-cols-2">
      <li v-for="l in rig.looks" :key="l.key" :class="l.words ? 'lg:col-span-2' : ''">
        <button
          type="button"
          class="control min-h-12 w-full justify-start gap-3 py-1 text-left leading-tight"
          :disabled="rig.cloth !== null"
          :data-look="l.key"
          @click="$emit('look', l.key)"
        >
          {{ l.label }}
        </button>
        <div v-if="l.words" class="border-l-4 border-found pl-4" :data-met="l.key">
          <p class="py-2 text-[20px] leading-snug font-semibold" role="status">{{ l.words }}</p>
          <div class="flex flex-wrap items-center justify-between gap-3">
            <h3 class="text-[16px] text-secondary">What is it evidence of?</h3>
            <button
              v-if="open(l.signs).length && !rig.cloth"
              type="button"
              class="control min-h-11 px-3"
              data-rest-absent
              @click="restIsNotThere(l.signs)"
            >
              The rest is not there
            </button>
          </div>
          <ul class="gap-x-8 lg:columns-2">
            <EvidenceRow
              v-for="e in signsOf(l.signs)"
              :key="e.key"
              :desk="desk"
              :evidence="e"
              bare
              :closed="rig.cloth !== null"
            />
          </ul>
        </div>
      </li>
    </ul>
  </section>
</template>
