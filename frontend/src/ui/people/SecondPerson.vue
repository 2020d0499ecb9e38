<script setup lang="ts">
/** Another of the yard's people who looked or agrees, and their own PIN where people sign in. */
import { computed, watch } from "vue";
import { actor } from "../../composables/useActor";
import { useMe } from "../../composables/useMe";
import { useYard } from "../../composables/useYard";
import PickBox from "../PickBox.vue";
import PinField from "./PinField.vue";

const name = defineModel<string>("name", { required: true });
const pin = defineModel<string>("pin", { required: true });
const props = defineProps<{ label: string; required?: boolean }>();
/** A PIN is of one person alone. */
watch(name, () => (pin.value = ""));
const { yard } = useYard();
const { authenticated } = useMe();
const others = computed<[string, string][]>(() => [
  ...(props.required ? [] : [["", "nobody"] as [string, string]]),
  ...(yard.value?.people ?? [])
    .filter((m) => m.id !== actor.value)
    .map((m) => [m.name, m.name] as [string, string]),
]);
</script>

<template>
  <div class="flex flex-col gap-4">
    <PickBox v-model="name" name="second" :label="label" :options="others" :required="required" />
    <PinField
      v-if="authenticated && name"
      v-model="pin"
      :label="`${name}: your PIN, or your passphrase`"
      name="second-pin"
    />
  </div>
</template>
