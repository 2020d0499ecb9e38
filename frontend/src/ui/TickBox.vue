<script setup lang="ts">
/** Yes or no. */
import { Switch, SwitchGroup, SwitchLabel } from "@headlessui/vue";

const value = defineModel<boolean>({ required: true });
defineProps<{ name: string; label: string; boxed?: boolean }>();
</script>

<template>
  <SwitchGroup as="div" class="flex min-h-11 items-center gap-3" :class="boxed ? 'control font-medium' : ''">
    <Switch
      v-model="value"
      class="grid h-6 w-6 shrink-0 cursor-pointer place-items-center border-2 bg-surface"
      :data-tick="name"
    >
      <svg v-if="value" viewBox="0 0 16 16" class="h-4 w-4" aria-hidden="true">
        <path d="M2 8l4 5 8-10" fill="none" stroke="currentColor" stroke-width="3" />
      </svg>
    </Switch>
    <SwitchLabel class="cursor-pointer">{{ label }}</SwitchLabel>
  </SwitchGroup>
</template>
