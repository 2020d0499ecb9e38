<script setup lang="ts">
/** With which gauge the live station is read: those that can take it, and no other. */
import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from "@headlessui/vue";
import { giveKeysBack } from "../../composables/useKeys";
import type { StationGauge } from "../../api/client";

defineProps<{ station: StationGauge; name: string }>();
const gauge = defineModel<string>({ required: true });
</script>

<template>
  <p v-if="!station.could.length" class="text-[15px] font-semibold text-danger" data-no-gauge>
    No gauge on the shelf can take this: write its card under Gauges.
  </p>
  <p v-else-if="station.could.length === 1" class="text-[15px] text-secondary">with {{ name }}</p>
  <Listbox v-else v-model="gauge" as="div" class="relative" @update:model-value="giveKeysBack">
    <ListboxButton class="-my-2 min-h-11 text-left text-[15px] text-secondary underline" data-gauge-choice>
      with {{ name }}
    </ListboxButton>
    <ListboxOptions class="absolute bottom-11 z-20 w-max max-w-[92vw] border-2 bg-surface py-1 outline-none">
      <ListboxOption
        v-for="[id, words] in station.could"
        :key="id"
        v-slot="{ active }"
        as="template"
        :value="id ?? ''"
      >
        <li
          class="flex min-h-11 cursor-pointer items-center px-3 text-[17px]"
          :class="active ? 'bg-here text-on-here' : ''"
          :data-option="id"
        >
          {{ words }}{{ station.talking.includes(id ?? "") ? ", talks" : "" }}
        </li>
      </ListboxOption>
    </ListboxOptions>
  </Listbox>
</template>
