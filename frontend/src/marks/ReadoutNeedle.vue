<script setup lang="ts">
/** Where the value stands: needle, give-or-take bar, the value in large figures and its verdict. */
import { computed } from "vue";
import type { Needle, Readout } from "../api/client";
import type { Scale } from "../composables/useScale";
import VerdictTag from "./VerdictTag.vue";

const props = defineProps<{
  scene: Readout;
  needle: Needle;
  x: Scale;
  top: number;
  width: number;
  gutter: number;
  small?: boolean;
  compact?: boolean;
}>();
const CORNER = 100;
const TAG = 66;
const LETTER = 12.5;
/** "Not proven, reads out high" would run over the page beside the value: the words below say by how much. */
const verdict = computed(() => props.scene.verdict_words.split(", "));
const at = computed(() => props.x(props.needle.at));
const left = computed(() => props.x(props.needle.at - props.needle.give));
const right = computed(() => props.x(props.needle.at + props.needle.give));
const phone = computed(() => props.width < 560 || props.compact);
const figure = computed(() => (props.needle.bound ? 32 : phone.value ? 30 : props.width < 800 ? 46 : 60));
/** Room that the value, its verdict and its words take side by side: letters are never wider than this. */
const room = computed(() => {
  const tag = Math.max(TAG + LETTER * (verdict.value[0] ?? "").length, 10 * props.needle.give_label.length);
  const value = 0.6 * figure.value * props.needle.label.length + 14 + tag;
  return Math.max(value, 8.4 * props.needle.words.length);
});
/** The button for the sum stands in the corner. */
const corner = computed(() => (props.gutter ? CORNER : 0));
type Side = "right" | "left" | "above";
const side = computed<Side>(() => {
  if (phone.value) return "above";
  if (at.value + 18 + room.value <= props.width) return "right";
  return at.value - 18 - room.value >= corner.value ? "left" : "above";
});
const flip = computed(() => side.value === "left");
const flagWidth = computed(() => {
  if (phone.value) return props.width - (props.compact ? 0 : CORNER);
  return Math.min(room.value, props.width - corner.value);
});
const flagX = computed(() => {
  if (phone.value) return props.compact ? 0 : CORNER;
  if (side.value === "right") return at.value + 18;
  if (side.value === "left") return at.value - 18 - flagWidth.value;
  return Math.max(corner.value, Math.min(at.value - flagWidth.value / 2, props.width - flagWidth.value));
});
/** Where the needle begins: below the figures where they stand over it. */
const from = computed(() => (props.compact || side.value === "above" ? props.top - 33 : 6));
const outside = computed(() => !props.x.inside(props.needle.at));
</script>

<template>
  <g class="needle-moves">
    <template v-if="small">
      <path
        :d="`M${at - 8} ${top - 12} h16 l-8 13 z`"
        fill="var(--found)"
        stroke="var(--casing, var(--surface))"
        stroke-width="1.5"
      />
    </template>
    <template v-else>
      <line :x1="at" :x2="at" :y1="from" :y2="top" stroke="var(--found)" stroke-width="3.5" data-needle />
      <path :d="`M${at - 8} ${top - 15} h16 l-8 15 z`" fill="var(--found)" />
      <g v-if="!needle.bound" stroke="var(--found)" stroke-width="3">
        <line :x1="left" :x2="right" :y1="top - 24" :y2="top - 24" />
        <line :x1="left" :x2="left" :y1="top - 32" :y2="top - 16" />
        <line :x1="right" :x2="right" :y1="top - 32" :y2="top - 16" />
      </g>
      <path
        v-if="needle.bound"
        :d="`M${at} ${top - 24} h-34 m10 -7 l-10 7 l10 7`"
        fill="none"
        stroke="var(--found)"
        stroke-width="3"
      />
      <foreignObject :x="flagX" y="0" :width="flagWidth" :height="phone ? 120 : 92">
        <div class="flex flex-col" :class="flip ? 'items-end text-right' : 'items-start'" aria-live="polite">
          <div
            class="flex items-start gap-x-3"
            :class="[phone ? 'flex-wrap' : '', flip ? 'flex-row-reverse' : '']"
          >
            <span
              class="whitespace-nowrap leading-none"
              :style="{ fontSize: `${figure}px`, fontWeight: 700 }"
              data-value
              >{{ needle.label }}</span
            >
            <span
              class="flex gap-1"
              :class="[
                compact ? 'flex-row-reverse items-center gap-2' : phone ? 'flex-col-reverse' : 'flex-col',
                flip ? 'items-end' : '',
              ]"
            >
              <VerdictTag
                :code="scene.verdict"
                :words="verdict[0] ?? ''"
                :leaning="scene.verdict_leaning"
                :small="compact"
              />
              <span class="whitespace-nowrap text-[18px] font-bold"
                >{{ needle.give_label }}<span v-if="phone && verdict[1]">, {{ verdict[1] }}</span></span
              >
            </span>
          </div>
          <div v-if="!phone" class="whitespace-nowrap text-[16px] leading-tight text-secondary">
            {{ needle.words }}<span class="sr-only">{{ verdict[1] }}</span>
          </div>
        </div>
      </foreignObject>
      <text v-if="outside" :x="at" :y="top + 40" font-size="15" text-anchor="middle">off the strip</text>
    </template>
  </g>
</template>
