<script setup lang="ts" generic="Value extends string | string[]">
/** One of several, or several of many: a list that opens under its own field. */
import { Listbox, ListboxButton, ListboxLabel, ListboxOption, ListboxOptions } from "@headlessui/vue";
import { computed } from "vue";

const value = defineModel<Value>({ required: true });
const props = defineProps<{
  options: readonly (readonly [string, string])[];
  name: string;
  label?: string;
  /** For those who do not see it; where the words stand elsewhere. */
  spoken?: string;
  empty?: string | undefined;
  required?: boolean;
  narrow?: boolean;
}>();
const several = computed(() => Array.isArray(value.value));
const chosen = computed(() => (Array.isArray(value.value) ? value.value : [value.value]).filter(Boolean));
const shown = computed(() => {
  const labels = props.options.filter(([key]) => chosen.value.includes(key)).map(([, words]) => words);
  if (labels.length) return labels.join(", ");
  return props.options.find(([key]) => key === value.value)?.[1] ?? "";
});
const said = computed(() => shown.value || props.empty || "Choose");
</script>

<template>
  <Listbox v-model="value" as="div" class="relative min-w-0" :multiple="several">
    <ListboxLabel v-if="label" class="block">{{ label }}</ListboxLabel>
    <input
      v-if="required"
      class="pointer-events-none absolute bottom-0 left-1/2 h-px w-px opacity-0"
      tabindex="-1"
      aria-hidden="true"
      required
      :value="chosen.join()"
      @input="() => undefined"
    />
    <ListboxButton
      class="field flex cursor-pointer items-center justify-between gap-3 text-left"
      :class="narrow ? 'min-h-12 text-[16px] font-semibold' : ''"
      :data-pick="name"
      :aria-label="spoken ? `${spoken}: ${said}` : undefined"
    >
      <span class="truncate" :class="shown ? '' : 'text-secondary'">{{ said }}</span>
      <svg viewBox="0 0 12 8" class="h-2 w-3 shrink-0" aria-hidden="true">
        <path d="M1 1l5 5 5-5" fill="none" stroke="currentColor" stroke-width="2" />
      </svg>
    </ListboxButton>
    <ListboxOptions
      class="absolute z-20 mt-1 max-h-[320px] w-max min-w-full max-w-[min(92vw,560px)] overflow-y-auto border-2 bg-surface py-1 outline-none"
      :class="narrow ? 'right-0' : ''"
    >
      <ListboxOption
        v-for="[key, words] in options"
        :key="key"
        v-slot="{ active, selected }"
        as="template"
        :value="key"
      >
        <li
          class="flex min-h-11 cursor-pointer items-center gap-3 px-3 py-1 text-[17px] leading-tight"
          :class="active ? 'bg-here text-on-here' : ''"
          :data-option="key"
        >
          <span class="w-4 shrink-0 font-bold" aria-hidden="true">{{ selected ? "•" : "" }}</span>{{ words }}
        </li>
      </ListboxOption>
    </ListboxOptions>
  </Listbox>
</template>
