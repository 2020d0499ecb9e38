<script setup lang="ts">
import { onMounted, ref, useTemplateRef } from "vue";
import { useKeys } from "../../composables/useKeys";
import { useKept } from "../../composables/useKept";
import { useMe } from "../../composables/useMe";
import PinField from "../../ui/people/PinField.vue";
import type { Sheet } from "../../api/client";

const props = defineProps<{ sheet: Sheet; name: string; keep: string }>();
const emit = defineEmits<{ sign: [remark: string, pin: string]; cancel: [] }>();
const remark = useKept<string>(`sign.${props.keep}`, "");
const { authenticated } = useMe();
const pin = ref("");
const form = useTemplateRef<HTMLElement>("form");
onMounted(() => form.value?.scrollIntoView({ block: "nearest" }));
useKeys((event) => {
  if (authenticated.value || event.key !== "d" || event.repeat || props.sheet.sign_blockers.length)
    return false;
  emit("sign", remark.value, pin.value);
  return true;
});
</script>

<template>
  <form
    ref="form"
    class="flex flex-col gap-3 border-t-2 pt-2"
    data-sign
    @submit.prevent="$emit('sign', remark, pin)"
  >
    <h2 class="text-[20px] font-bold">Sign: {{ sheet.verdict.words }}</h2>
    <ul v-if="sheet.sign_blockers.length" class="flex flex-col gap-1">
      <li v-for="b in sheet.sign_blockers" :key="b" class="border-l-4 border-danger pl-3">{{ b }}</li>
    </ul>
    <p v-for="u in sheet.unverified" :key="u">Goes on the record as not verified: {{ u }}</p>
    <p v-for="u in sheet.temporary" :key="u">Temporary, out before Prove: {{ u }}</p>
    <label class="flex items-center gap-3">
      <span class="shrink-0">{{ sheet.verdict.code === "in" ? "Remark" : "Why it is left so" }}</span>
      <input v-model="remark" class="field" maxlength="400" data-remark />
    </label>
    <PinField v-if="authenticated" v-model="pin" label="Your PIN again, or your passphrase" name="sign-pin" />
    <p v-if="authenticated" class="text-secondary">Signed as {{ name }}, authenticated.</p>
    <p v-else class="text-secondary">
      {{ name ? `Signed as ${name}: named, not authenticated.` : "Choose your name at the top first." }}
    </p>
    <div class="flex gap-3">
      <button type="submit" class="control control-main" :disabled="sheet.sign_blockers.length > 0">
        Sign it <span v-if="!authenticated" class="keycap">d</span>
      </button>
      <button type="button" class="control" @click="$emit('cancel')">
        Not yet <span class="keycap">Esc</span>
      </button>
    </div>
  </form>
</template>
