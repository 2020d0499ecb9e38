<script setup lang="ts">
/** A place's flag: its number, and the verdict that stands there. */
import { computed } from "vue";
import type { SectionFlag } from "../api/client";
import { lookOf } from "./verdictLook";
import VerdictMark from "./VerdictMark.vue";

const props = defineProps<{ flag: SectionFlag; here: boolean }>();
const emit = defineEmits<{ pick: [] }>();
const paint = computed(() => {
  if (props.here) return { back: "fill-here", word: "text-on-here" };
  const role = lookOf(props.flag.state).role;
  if (role === "wanted") return { back: "fill-wanted", word: "text-white" };
  if (role === "danger") return { back: "fill-danger", word: "text-on-danger" };
  return { back: "fill-surface", word: "text-words" };
});
const plate = 38;
function key(event: KeyboardEvent) {
  if (event.key !== "Enter" && event.key !== " ") return;
  event.preventDefault();
  event.stopPropagation();
  emit("pick");
}
</script>

<template>
  <g
    role="button"
    tabindex="0"
    class="cursor-pointer"
    :aria-label="`${flag.number} ${flag.words || 'look'}: ${flag.label}`"
    :aria-pressed="here"
    :data-place="flag.key"
    :transform="`translate(${flag.x} ${flag.y})`"
    @click="$emit('pick')"
    @keydown="key"
  >
    <rect
      :width="flag.w"
      :height="flag.h"
      :class="here ? 'fill-here' : 'fill-surface'"
      stroke="var(--found)"
      stroke-width="2"
    />
    <rect
      :x="plate"
      :width="flag.w - plate"
      :height="flag.h"
      :class="paint.back"
      stroke="var(--found)"
      stroke-width="2"
    />
    <text
      :x="plate / 2"
      :y="flag.h / 2 + 8"
      text-anchor="middle"
      font-size="23"
      font-weight="700"
      :class="here ? 'fill-on-here' : 'fill-words'"
    >
      {{ `${flag.number} ` }}
    </text>
    <VerdictMark
      v-if="flag.state"
      :class="paint.word"
      :code="flag.state"
      :x="plate + (flag.w - plate - 46) / 2"
      :y="(flag.h - 24) / 2"
    />
    <text
      v-else
      :x="plate + (flag.w - plate) / 2"
      :y="flag.h / 2 + 6"
      text-anchor="middle"
      font-size="15"
      :font-weight="flag.words === 'to find' ? 700 : 550"
      :class="here ? 'fill-on-here' : 'fill-words'"
    >
      {{ flag.words || "look" }}
    </text>
  </g>
</template>
