<script setup lang="ts">
/** The PIN again, or the passphrase, before something is signed. */
const secret = defineModel<string>({ required: true });
defineProps<{ label: string; name: string }>();
</script>

<template>
  <label
    >{{ label
    }}<input
      v-model="secret"
      class="field"
      type="password"
      :name="name"
      required
      maxlength="128"
      autocomplete="off"
  /></label>
</template>
