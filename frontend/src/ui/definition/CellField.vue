<script setup lang="ts">
/** One field of a definition's row. */
import { computed } from "vue";
import type { Cell, Column } from "./columns";

const value = defineModel<Cell>();
const props = defineProps<{ column: Column; options: [string, string][]; problem?: string; name: string }>();
const many = computed(() => (Array.isArray(value.value) ? (value.value as string[]) : []));
const text = (event: Event) => (event.target as HTMLInputElement).value;
function number(event: Event) {
  const typed = text(event).replace(",", ".");
  value.value = typed === "" || Number.isNaN(Number(typed)) ? undefined : Number(typed);
}
const toggle = (key: string, on: boolean) =>
  (value.value = on ? [...many.value, key] : many.value.filter((k) => k !== key));
</script>

<template>
  <label v-if="props.column.kind === 'yes'" class="flex min-h-11 items-center gap-3"
    ><input
      type="checkbox"
      class="h-6 w-6"
      :name="name"
      :checked="value === true"
      @change="value = ($event.target as HTMLInputElement).checked || undefined"
    />{{ column.label }}</label
  >
  <fieldset v-else-if="column.kind === 'many'" class="flex flex-wrap gap-x-4">
    <legend>{{ column.label }}</legend>
    <label v-for="[key, words] in options" :key="key" class="flex min-h-11 items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5"
        :checked="many.includes(key)"
        @change="toggle(key, ($event.target as HTMLInputElement).checked)"
      />{{ words }}</label
    >
  </fieldset>
  <label v-else
    >{{ column.label }}
    <select
      v-if="column.kind === 'choice'"
      class="field"
      :name="name"
      :value="value ?? column.fallback ?? ''"
      @change="value = text($event)"
    >
      <option v-if="!column.fallback" value="">{{ column.may_lack ? "–" : "Choose" }}</option>
      <option v-for="[key, words] in options" :key="key" :value="key">{{ words }}</option>
    </select>
    <input
      v-else-if="column.kind === 'number'"
      class="field"
      :name="name"
      inputmode="decimal"
      :value="value ?? ''"
      @change="number"
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
