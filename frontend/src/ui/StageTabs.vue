<script setup lang="ts" generic="Tab extends string">
/** The leaves of a stage, each with its key; yellow counts what is still open. */
const tab = defineModel<Tab>({ required: true });
defineProps<{ label: string; leaves: [Tab, string, string][]; counts: Partial<Record<Tab, number>> }>();
defineEmits<{ cautions: [] }>();
</script>

<template>
  <nav class="flex flex-wrap items-center gap-2 border-b-2 bg-bay px-5 py-2" :aria-label="label">
    <button
      v-for="[key, words, typed] in leaves"
      :key="key"
      type="button"
      class="control"
      :class="tab === key ? 'control-main' : ''"
      :aria-pressed="tab === key"
      :data-tab="key"
      @click="tab = key"
    >
      {{ words }} <span v-if="counts[key]" class="mark text-[16px]">{{ counts[key] }}</span><span
        class="keycap"
        >{{ typed }}</span
      >
    </button>
    <span class="ml-auto flex flex-wrap gap-2">
      <slot>
        <button type="button" class="control" @click="$emit('cautions')">
          Cautions <span class="keycap">a</span>
        </button>
      </slot>
    </span>
  </nav>
</template>
