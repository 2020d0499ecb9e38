<script setup lang="ts">
/** What is given: asked once, drawn from the kind's own form, kept as typed. */
import { reactive } from "vue";
import type { FieldView } from "../api/client";

const props = defineProps<{ fields: FieldView[]; problems: Record<string, string> }>();
const emit = defineEmits<{ give: [given: Record<string, unknown>]; cancel: [] }>();
const draft = reactive<Record<string, string>>({});
for (const f of props.fields) {
  const typed: unknown = f.typed;
  draft[f.key] = Array.isArray(typed)
    ? typed.join("\n")
    : typed === null || typed === undefined
      ? ""
      : String(typed);
}
function send() {
  const given: Record<string, unknown> = {};
  for (const f of props.fields) {
    const text = draft[f.key] ?? "";
    if (text !== "") given[f.key] = f.quantity === "lines" ? text.split("\n").filter(Boolean) : text;
  }
  emit("give", given);
}
</script>

<template>
  <form class="flex flex-col gap-4 p-5" data-given @submit.prevent="send" @keydown.esc="emit('cancel')">
    <h2 class="text-[22px] font-bold">What is given</h2>
    <div class="grid gap-x-6 gap-y-3 md:grid-cols-2 xl:grid-cols-3">
      <label v-for="f in fields" :key="f.key" class="flex flex-col gap-1">
        <span class="font-semibold"
          >{{ f.label
          }}<span v-if="!f.required" class="font-medium text-secondary"> (may stay empty)</span></span
        >
        <select v-if="f.quantity === 'choice'" v-model="draft[f.key]" class="field" :name="f.key">
          <option v-for="o in f.options" :key="o[0]" :value="o[0]">{{ o[1] }}</option>
        </select>
        <textarea
          v-else-if="f.quantity === 'lines'"
          v-model="draft[f.key]"
          class="field py-2"
          rows="2"
          :name="f.key"
        ></textarea>
        <input v-else v-model="draft[f.key]" class="field" :name="f.key" autocomplete="off" />
        <span v-if="problems[f.key]" role="alert" class="font-bold text-danger">{{ problems[f.key] }}</span>
        <span v-else-if="f.why" class="text-[15px] text-secondary">{{ f.why }}</span>
      </label>
    </div>
    <div class="flex gap-3">
      <button type="submit" class="control control-main">Write it down</button>
      <button type="button" class="control" @click="emit('cancel')">
        Leave it <span class="keycap">Esc</span>
      </button>
    </div>
  </form>
</template>
