<script setup lang="ts">
/** One point in the list: its mark, what it is, how it stands. */
import { computed } from "vue";
import type { ProvePointView } from "../../api/client";
import VerdictMark from "../../marks/VerdictMark.vue";
import { paintOf } from "../../marks/verdictLook";

const props = defineProps<{ point: ProvePointView; here: boolean }>();
defineEmits<{ pick: [] }>();
const paint = computed(() => paintOf(props.point.code) || (props.here ? "bg-surface text-words" : ""));
</script>

<template>
  <li :id="`point-${point.key}`">
    <button
      type="button"
      class="grid min-h-[54px] w-full cursor-pointer grid-cols-[54px_1fr_auto] items-center gap-3 border-b-2 border-row px-5 py-1 text-left"
      :class="here ? 'bg-here text-on-here' : ''"
      :aria-current="here"
      :data-point="point.key"
      :data-state="point.state"
      @click="$emit('pick')"
    >
      <span class="flex h-9 items-center justify-center" :class="paint"
        ><VerdictMark :code="point.code"
      /></span>
      <span class="min-w-0">
        <span class="block text-[18px] leading-tight font-[660] wrap-anywhere first-letter:uppercase">{{
          point.label
        }}</span>
        <span class="block text-[15px] leading-tight wrap-anywhere" :class="here ? '' : 'text-secondary'">{{
          point.words
        }}</span>
      </span>
      <span class="text-right text-[15px] leading-tight font-semibold"
        >{{ point.state_words
        }}<span v-if="point.must && point.state !== 'done'" class="block"> first</span></span
      >
    </button>
  </li>
</template>
