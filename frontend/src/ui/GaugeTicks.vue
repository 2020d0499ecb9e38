<script setup lang="ts">
import type { GaugeCard } from "../api/client";
import TickBox from "./TickBox.vue";

/** The gauges that a job is read with. */
const chosen = defineModel<string[]>({ required: true });
defineProps<{ gauges: GaugeCard[] }>();
function put(id: string, on: boolean) {
  chosen.value = on ? [...chosen.value, id] : chosen.value.filter((x) => x !== id);
}
</script>

<template>
  <fieldset>
    <legend>Gauges for this job (none chosen: those of the unit type)</legend>
    <div class="flex flex-wrap gap-2">
      <TickBox
        v-for="g in gauges"
        :key="g.id"
        :model-value="chosen.includes(g.id)"
        :name="`gauge-${g.id}`"
        :label="g.name"
        boxed
        @update:model-value="(on: boolean) => put(g.id, on)"
      />
    </div>
  </fieldset>
</template>
