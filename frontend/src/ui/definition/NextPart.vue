<script setup lang="ts">
/** The next part of a shaft: a name and Enter, or a kind that is tapped. Its kind is guessed from its name. */
import { computed, ref } from "vue";
import { api, unwrap, type KindChoice } from "../../api/client";
import type { Row } from "./columns";

const props = defineProps<{ shaft: string; after: string; kinds: KindChoice[] }>();
const emit = defineEmits<{ add: [name: string, row: Row] }>();
const name = ref("");
const field = ref<HTMLInputElement | null>(null);
const families = computed(() => [...new Set(props.kinds.map((k) => k.family))]);
const open = ref("");
const family = computed(() => open.value || families.value[0] || "");
const offered = computed(() => props.kinds.filter((k) => k.family === family.value));
async function enter() {
  const typed = name.value.trim();
  if (!typed) return;
  name.value = "";
  const list = await unwrap(
    api.POST("/api/parts-lists/guesses", { body: { text: `label\n${quoted(typed)}` } }),
  );
  const found = list.parts[0];
  emit(
    "add",
    typed,
    found ? { kind: found.kind, ...(found.teeth ? { teeth: found.teeth } : {}) } : { kind: "other" },
  );
}
const quoted = (text: string) => `"${text.replace(/"/g, '""')}"`;
const tap = (kind: KindChoice) =>
  emit("add", kind.label.charAt(0).toUpperCase() + kind.label.slice(1), { kind: kind.key });
defineExpose({ focus: () => field.value?.focus() });
</script>

<template>
  <form class="flex flex-col gap-2" data-next-part @submit.prevent="enter">
    <label class="font-semibold"
      ><span class="line-clamp-2">Next part on {{ shaft }}{{ after ? `, behind ${after}` : "" }}</span>
      <span class="flex gap-2">
        <input
          ref="field"
          v-model="name"
          class="field"
          name="next-part"
          placeholder="Its name: Output bearing, taper"
          autocomplete="off"
          maxlength="200"
        />
        <button type="submit" class="control control-main whitespace-nowrap">Put on</button>
      </span>
    </label>
    <div class="flex flex-wrap gap-x-3" role="group" aria-label="Kinds stand together">
      <button
        v-for="f in families"
        :key="f"
        type="button"
        class="min-h-11 cursor-pointer font-semibold"
        :class="f === family ? 'border-b-4' : 'text-secondary'"
        :aria-pressed="f === family"
        :data-family="f"
        @click="open = f"
      >
        {{ f }}
      </button>
    </div>
    <div class="flex flex-wrap gap-2">
      <button
        v-for="k in offered"
        :key="k.key"
        type="button"
        class="control min-h-11 px-3 text-[16px]"
        :data-kind="k.key"
        @click="tap(k)"
      >
        {{ k.label }}
      </button>
    </div>
  </form>
</template>
