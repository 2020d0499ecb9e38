<script setup lang="ts">
/** The foot of a rig that is no setting: what was refused, what can be done. */
import ActFoot, { type Act } from "../../ui/ActFoot.vue";
import { HABIT, type RigDesk } from "./useRig";

const help = defineModel<"keys" | "cautions" | null>("help", { required: true });
defineProps<{ rig: RigDesk; acts: Act[]; keys: [string, string][]; cautions: string[] }>();
const COMMON: [string, string][] = [
  ["a", "all cautions"],
  ["t", "light, dark or as the system"],
  ["b", "back to the rigs"],
];
</script>

<template>
  <p v-if="rig.trouble.value" role="alert" class="px-5 py-2 font-bold text-danger">{{ rig.trouble.value }}</p>
  <ActFoot
    v-model:help="help"
    :caution="HABIT"
    :acts="acts"
    :keys="[...keys, ...COMMON]"
    :cautions="cautions"
  />
</template>
