<script setup lang="ts">
/** A name, then its PIN: large enough for gloves, and typed on keys as well. */
import { nextTick, ref } from "vue";

defineProps<{ people: { id: string; name: string }[]; busy: boolean; trouble: string }>();
const emit = defineEmits<{ pin: [mechanic: string, pin: string] }>();
const who = ref("");
const pin = ref("");
const field = ref<HTMLInputElement | null>(null);
async function choose(id: string) {
  who.value = id;
  pin.value = "";
  await nextTick();
  field.value?.focus();
}
function send() {
  if (!who.value || !pin.value) return;
  emit("pin", who.value, pin.value);
  pin.value = "";
}
const DIGITS = ["1", "2", "3", "4", "5", "6", "7", "8", "9", "0"];
</script>

<template>
  <form class="flex flex-col gap-4" data-pin-pad @submit.prevent="send">
    <fieldset class="min-w-0">
      <legend class="zone-head">Who</legend>
      <div class="mt-2 flex flex-wrap gap-2">
        <button
          v-for="p in people"
          :key="p.id"
          type="button"
          class="control min-h-[56px] max-w-full wrap-anywhere text-[19px]"
          :class="who === p.id ? 'control-main' : ''"
          :aria-pressed="who === p.id"
          :data-who="p.id"
          @click="choose(p.id)"
        >
          {{ p.name }}
        </button>
      </div>
    </fieldset>
    <template v-if="who">
      <label
        >PIN<input
          ref="field"
          v-model="pin"
          class="field text-[28px]"
          type="password"
          name="pin"
          inputmode="numeric"
          maxlength="10"
          required
          autocomplete="off"
      /></label>
      <div class="grid grid-cols-5 gap-2" aria-hidden="true">
        <button
          v-for="d in DIGITS"
          :key="d"
          type="button"
          tabindex="-1"
          class="control min-h-[64px] justify-center text-[24px]"
          @click="pin += d"
        >
          {{ d }}
        </button>
      </div>
    </template>
    <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
    <button
      type="submit"
      class="control control-main min-h-[64px] text-[20px]"
      :disabled="busy || !who || !pin"
    >
      Sign in
    </button>
  </form>
</template>
