<script setup lang="ts">
/** One field of a definition's row. */
import { computed, ref } from "vue";
import PickBox from "../PickBox.vue";
import TickBox from "../TickBox.vue";
import { typedNumber } from "../typedNumber";
import type { Cell, Column } from "./columns";

const value = defineModel<Cell>();
const props = defineProps<{ column: Column; options: [string, string][]; problem?: string; name: string }>();
/** So many stand in sight as ticks; more of them in a list. */
const FEW = 6;
const many = computed(() => (Array.isArray(value.value) ? (value.value as string[]) : []));
const OTHER = "#other";
const typing = ref(false);
const choices = computed<[string, string][]>(() => [
  ...((props.column.fallback ? [] : [["", props.column.may_lack ? "–" : "Choose"]]) as [string, string][]),
  ...props.options,
  ...((props.column.open ? [[OTHER, "another: type it"]] : []) as [string, string][]),
]);
function choose(key: string) {
  typing.value = key === OTHER;
  value.value = key === OTHER ? "" : key;
}
const text = (event: Event) => (event.target as HTMLInputElement).value;
/** A number in hand stays as it is typed, whatever is drawn anew meanwhile. */
const inHand = ref<string | null>(null);
function number(event: Event) {
  inHand.value = text(event);
  value.value = typedNumber(text(event), undefined);
}
const counts = computed(() => (value.value ?? {}) as Record<string, Cell>);
function count(key: string, event: Event) {
  const next = Object.entries({ ...counts.value, [key]: typedNumber(text(event), undefined) });
  const kept = next.filter(([, n]) => n !== undefined);
  value.value = kept.length ? Object.fromEntries(kept) : undefined;
}
const listed = computed(() => (Array.isArray(value.value) ? (value.value as string[]).join(", ") : ""));
function typedList(event: Event) {
  inHand.value = text(event);
  const parts = text(event)
    .split(/[,;]/)
    .map((x) => x.trim())
    .filter(Boolean);
  value.value = parts.length ? parts : undefined;
}
const toggle = (key: string, on: boolean) =>
  (value.value = on ? [...many.value, key] : many.value.filter((k) => k !== key));
</script>

<template>
  <TickBox
    v-if="props.column.kind === 'yes'"
    :model-value="value === true"
    :name="name"
    :label="column.label"
    @update:model-value="(on: boolean) => (value = on || undefined)"
  />
  <div v-else-if="column.kind === 'many' && options.length > FEW">
    <PickBox
      :model-value="many"
      :name="name"
      :label="column.label"
      empty="none"
      :options="options"
      @update:model-value="(keys: string[]) => (value = keys.length ? keys : undefined)"
    />
    <span v-if="problem" class="font-bold text-danger">{{ problem }}</span>
  </div>
  <fieldset v-else-if="column.kind === 'many'" class="flex flex-wrap gap-x-4">
    <legend>{{ column.label }}</legend>
    <TickBox
      v-for="[key, words] in options"
      :key="key"
      :model-value="many.includes(key)"
      :name="`${name}-${key}`"
      :label="words"
      @update:model-value="(on: boolean) => toggle(key, on)"
    />
    <span v-if="problem" class="font-bold text-danger">{{ problem }}</span>
  </fieldset>
  <fieldset v-else-if="column.kind === 'counts' && options.length" class="flex flex-wrap gap-4">
    <label v-for="[key, words] in options" :key="key"
      >{{ column.label }} {{ words
      }}<input
        class="field"
        :name="`${name}-${key}`"
        :value="counts[key] ?? ''"
        inputmode="numeric"
        autocomplete="off"
        @input="count(key, $event)"
    /></label>
    <span v-if="problem" class="font-bold text-danger">{{ problem }}</span>
  </fieldset>
  <div v-else-if="column.kind === 'choice' && !typing">
    <PickBox
      :model-value="String(value ?? column.fallback ?? '')"
      :name="name"
      :label="column.label"
      :options="choices"
      @update:model-value="choose"
    />
    <span v-if="problem" class="font-bold text-danger">{{ problem }}</span>
  </div>
  <label v-else-if="column.kind !== 'counts'"
    >{{ column.label }}
    <input
      v-if="column.kind === 'number'"
      class="field"
      :name="name"
      inputmode="decimal"
      :value="inHand ?? value ?? ''"
      @input="number"
      @blur="inHand = null"
    />
    <input
      v-else-if="column.kind === 'words'"
      class="field"
      :name="name"
      :value="inHand ?? listed"
      autocomplete="off"
      @input="typedList"
      @blur="inHand = null"
    />
    <input
      v-else
      class="field"
      :name="name"
      :value="value ?? ''"
      autocomplete="off"
      @input="value = text($event)"
    />
    <span v-if="problem" class="font-bold text-danger">{{ problem }}</span>
  </label>
</template>
