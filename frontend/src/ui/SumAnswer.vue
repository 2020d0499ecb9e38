<script setup lang="ts">
/** What a sum came to: values in words, what speaks against it, strips and drawings. */
import type { SumAnswer } from "../api/client";
import SceneMark from "../marks/SceneMark.vue";
import VerdictTag from "../marks/VerdictTag.vue";

defineProps<{ answer: SumAnswer }>();
</script>

<template>
  <div class="flex flex-col gap-4" data-sum-answer>
    <p
      v-for="c in answer.checks"
      :key="c.code"
      class="text-[18px] font-bold"
      :class="
        c.severity === 'stop'
          ? 'bg-danger px-3 py-2 text-on-danger'
          : c.severity === 'warn'
            ? 'text-danger'
            : ''
      "
      :data-check="c.severity"
    >
      {{ c.sentence }}
    </p>
    <dl class="grid gap-x-6 sm:grid-cols-2">
      <div
        v-for="f in answer.found"
        :key="f.key"
        class="flex min-w-0 flex-wrap items-baseline justify-between gap-x-4 border-b-2 border-row py-1"
        :data-found="f.key"
      >
        <dt class="text-secondary">{{ f.label }}</dt>
        <dd class="text-[24px] font-bold">{{ f.words }}</dd>
        <dd v-if="f.code" class="flex basis-full items-center justify-between gap-3 text-[16px]">
          <span class="text-secondary">{{ f.window }}</span>
          <VerdictTag :code="f.code" :words="f.verdict" small />
        </dd>
      </div>
    </dl>
    <SceneMark v-for="(s, i) in answer.scenes" :key="i" :scene="s" :gutter="134" />
  </div>
</template>
