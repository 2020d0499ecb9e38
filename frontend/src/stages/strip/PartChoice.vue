<script setup lang="ts">
import { computed } from "vue";
import type { PartView } from "../../api/client";
import PickBox from "../../ui/PickBox.vue";

const part = defineModel<string>({ required: true });
const props = defineProps<{ parts: PartView[]; label: string; optional?: boolean }>();
const options = computed<[string, string][]>(() => [
  ...((props.optional ? [["", "the unit"]] : []) as [string, string][]),
  ...props.parts.map((p) => [p.key, p.label] as [string, string]),
]);
</script>

<template>
  <PickBox
    v-model="part"
    class="min-w-[200px] flex-1"
    name="part"
    :label="label"
    :options="options"
    :required="!optional"
  />
</template>
