<script setup lang="ts">
import type { PartView } from "../../api/client";

const part = defineModel<string>({ required: true });
defineProps<{ parts: PartView[]; label: string; optional?: boolean }>();
</script>

<template>
  <label class="min-w-[200px] flex-1"
    >{{ label
    }}<select v-model="part" class="field" name="part" :required="!optional">
      <option value="">{{ optional ? "the unit" : "Choose" }}</option>
      <option v-for="p in parts" :key="p.key" :value="p.key">{{ p.label }}</option>
    </select></label
  >
</template>
