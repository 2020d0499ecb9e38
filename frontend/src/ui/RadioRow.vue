<script setup lang="ts">
/** One of a few, all of them in sight. */
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from "@headlessui/vue";

const value = defineModel<string>({ required: true });
defineProps<{
  options: readonly (readonly [string, string])[];
  name: string;
  label: string;
  stacked?: boolean;
}>();
</script>

<template>
  <RadioGroup v-model="value" :data-radio="name">
    <RadioGroupLabel class="zone-head block">{{ label }}</RadioGroupLabel>
    <div class="flex flex-wrap gap-x-5 gap-y-1" :class="stacked ? 'flex-col' : ''">
      <RadioGroupOption
        v-for="[key, words] in options"
        :key="key"
        v-slot="{ checked }"
        as="template"
        :value="key"
      >
        <div class="flex min-h-11 cursor-pointer items-center gap-3" :data-option="key">
          <span
            class="grid h-6 w-6 shrink-0 place-items-center rounded-full border-2 bg-surface"
            aria-hidden="true"
            ><span v-if="checked" class="h-3 w-3 rounded-full bg-here"></span
          ></span>
          {{ words }}
        </div>
      </RadioGroupOption>
    </div>
  </RadioGroup>
</template>
