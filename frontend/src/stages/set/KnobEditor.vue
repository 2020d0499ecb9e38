<script setup lang="ts">
/** What one adjuster is at: a pack, two packs that share a total, or a position. */
import type { Knob } from "../../api/client";
import { isPacked, putIn, sidesOf, type Draft, type Shim } from "./drafts";
import PlatePicker from "./PlatePicker.vue";

const props = defineProps<{ knob: Knob; named: boolean }>();
const draft = defineModel<Draft>({ required: true });
const title = (side: string) =>
  [props.named ? props.knob.title || props.knob.label : "In the pack", side].filter(Boolean).join(", ");
function put(side: number, pack: Shim[]) {
  draft.value = { ...draft.value, packs: draft.value.packs.map((p, i) => (i === side ? pack : p)) };
}
function type(side: number, text: string) {
  draft.value = { ...draft.value, typed: draft.value.typed.map((t, i) => (i === side ? text : t)) };
}
</script>

<template>
  <div :data-knob="knob.key">
    <template v-if="isPacked(knob)">
      <PlatePicker
        v-for="(side, i) in sidesOf(knob)"
        :key="side"
        :model-value="draft.packs[i] ?? []"
        :drawer="knob.drawer"
        :title="title(side)"
        :data-side="side || undefined"
        :typed="draft.typed[i] ?? ''"
        @update:model-value="(pack: Shim[]) => put(i, pack)"
        @put-in="draft = putIn(draft)"
        @update:typed="(text: string) => type(i, text)"
      />
    </template>
    <label v-else class="flex items-center gap-3"
      ><span class="shrink-0">{{ knob.label }} is now</span
      ><input
        v-model="draft.text"
        class="field max-w-[220px]"
        inputmode="decimal"
        data-position
        data-live
        :data-offered="draft.text && draft.text === draft.offered ? '' : undefined"
    /></label>
  </div>
</template>
