<script setup lang="ts">
/** What can be looked at: each costs a tenth of a teardown and tells what is there. */
import { onMounted, ref } from "vue";
import type { RigView } from "../../api/client";

defineProps<{ looks: RigView["looks"]; trouble: string; done: boolean }>();
defineEmits<{ look: [key: string]; close: [] }>();
const box = ref<HTMLElement | null>(null);
const buttons = () => [...(box.value?.querySelectorAll<HTMLButtonElement>("[data-look]") ?? [])];
/** The arrows go from one to the next. */
function step(by: number): boolean {
  const all = buttons();
  const at = all.findIndex((b) => b === document.activeElement);
  all[(at + by + all.length) % all.length]?.focus();
  return true;
}
onMounted(() => buttons()[0]?.focus());
defineExpose({ step });
</script>

<template>
  <section ref="box" class="border-t-2 pt-2" data-looks>
    <div class="flex items-baseline justify-between gap-3">
      <h2 class="text-[20px] font-bold">Look</h2>
      <p class="text-[15px] text-secondary">
        six minutes each; what needs it open counts from the next teardown
      </p>
      <button type="button" class="control" @click="$emit('close')">
        Close <span class="keycap">Esc</span>
      </button>
    </div>
    <ul class="mt-2 grid gap-2 md:grid-cols-2">
      <li v-for="l in looks" :key="l.key" class="flex flex-col">
        <button
          type="button"
          class="control min-h-12 justify-start gap-3 py-1 text-left leading-tight"
          :disabled="done"
          :data-look="l.key"
          @click="$emit('look', l.key)"
        >
          {{ l.label }}{{ l.opens ? " (open)" : "" }}
        </button>
        <p v-if="l.words" class="border-l-4 border-found pl-2 text-[16px]" role="status">{{ l.words }}</p>
      </li>
    </ul>
    <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
  </section>
</template>
