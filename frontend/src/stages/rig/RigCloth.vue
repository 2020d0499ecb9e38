<script setup lang="ts">
/** What is hidden lies under a cloth; on signing it slides off and shows true against believed. */
import { nextTick, watch } from "vue";
import type { RigView } from "../../api/client";
import VerdictMark from "../../marks/VerdictMark.vue";

const props = defineProps<{ cloth: RigView["cloth"]; again: string; under: string; when: string }>();
/** Whoever lifts it further down sees what was under it. */
watch(
  () => props.cloth,
  async (now, before) => {
    if (!now || before) return;
    await nextTick();
    window.scrollTo({ top: 0 });
  },
);
</script>

<template>
  <Transition name="cloth" mode="out-in">
    <section
      v-if="!cloth"
      key="on"
      class="cloth flex items-center justify-between gap-4 border-y-2 px-5 py-2"
      data-cloth
    >
      <span class="border-2 border-dashed bg-surface px-3 py-2 text-[17px] font-semibold"
        >Under the cloth: {{ under }}.</span
      >
      <span class="bg-bay px-2 text-[15px]">lifted when you {{ when }}</span>
    </section>
    <section
      v-else
      key="off"
      class="border-y-2 px-5 py-2"
      data-lifted
      :data-result="cloth.result"
      aria-live="polite"
    >
      <div class="flex flex-wrap items-center gap-3">
        <VerdictMark :code="cloth.mark" />
        <h2 class="text-[20px] font-bold" :class="cloth.result === 'out' ? 'text-danger' : ''">
          {{ cloth.words }}
        </h2>
        <a class="control ml-auto" :href="again">Back to the rigs</a>
      </div>
      <div class="mt-2 grid items-start gap-x-8 gap-y-3 md:grid-cols-2">
        <table class="w-full text-left text-[16px]">
          <thead class="text-secondary">
            <tr>
              <th class="font-normal"></th>
              <th class="font-normal">believed</th>
              <th class="font-normal">true</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in cloth.rows" :key="row.label" class="border-t border-row">
              <th class="py-1 pr-2 font-semibold">{{ row.label }}</th>
              <td class="pr-2">{{ row.believed || "–" }}</td>
              <td class="font-bold">{{ row.true }}</td>
            </tr>
          </tbody>
        </table>
        <div class="text-[16px]">
          <p class="font-bold" data-fault>It was: {{ cloth.fault }}.</p>
          <p>{{ cloth.told_first }}</p>
          <p v-if="cloth.harm" class="font-bold text-danger">{{ cloth.harm }}</p>
          <h3 class="mt-2 font-bold">What the advice would have done</h3>
          <ol>
            <li v-for="line in cloth.advice" :key="line">{{ line }}</li>
          </ol>
        </div>
      </div>
    </section>
  </Transition>
</template>

<style scoped>
.cloth {
  background: repeating-linear-gradient(-45deg, var(--bay) 0 9px, var(--cut) 9px 10.5px);
}
.cloth-leave-active {
  transition: transform 240ms ease-in;
}
.cloth-leave-to {
  transform: translateX(100%);
}
@media (prefers-reduced-motion: reduce) {
  .cloth-leave-active {
    transition: none;
  }
}
</style>
