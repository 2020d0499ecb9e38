<script setup lang="ts">
/** The one sentence that says what to do next; what is to be handled is marked yellow. */
import { computed } from "vue";
import type { Span } from "../api/client";

const props = defineProps<{
  say: Span[];
  eyebrow?: string;
  head?: string;
  aside?: string;
  provisional?: boolean;
  flat?: boolean;
  low?: boolean;
}>();
/** A move no longer than this stays on one line [letters]. */
const ONE_LINE = 22;
/** A degree stays with its number. */
const unbroken = (text: string) => text.replaceAll(" °C", "\u00a0°C");
const long = computed(() => props.say.reduce((n, s) => n + s.text.length, 0));
const size = computed(() => (long.value > 130 ? "say-longest" : long.value > 68 ? "say-long" : ""));
</script>

<template>
  <section
    :class="[flat ? '' : 'border-b-2', low ? 'lg:min-h-[92px]' : 'lg:min-h-[142px]']"
    class="flex flex-col justify-between gap-3 px-5 py-2 lg:flex-row lg:items-center lg:gap-8"
  >
    <div class="min-w-0 flex-1">
      <p v-if="eyebrow" class="text-[16px] text-secondary wrap-anywhere">{{ eyebrow }}</p>
      <p class="say text-pretty wrap-anywhere" :class="size" data-say aria-live="polite">
        <template v-for="(s, i) in say" :key="i"
          ><span
            v-if="s.move"
            class="mark box-decoration-clone"
            :class="[
              provisional ? 'outline-dashed' : '',
              s.text.length <= ONE_LINE ? 'whitespace-nowrap' : '',
            ]"
            >{{ s.text }}</span
          ><span v-else-if="s.text.startsWith('Expect')" class="inline-block">{{ s.text }}</span
          ><template v-else>{{ unbroken(s.text) }}</template></template
        >
      </p>
    </div>
    <div
      v-if="head || aside"
      class="min-w-0 shrink-0 wrap-anywhere lg:border-l-2 lg:py-2 lg:pl-5"
      :class="long > 130 ? 'lg:max-w-[300px]' : 'lg:max-w-[400px]'"
    >
      <p class="text-[19px] font-bold leading-snug">{{ head }}</p>
      <p class="mt-1 text-[16px] text-secondary">{{ aside }}</p>
    </div>
  </section>
</template>
