<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from "@headlessui/vue";

defineProps<{ open: boolean; title: string; rows: [string, string][] }>();
defineEmits<{ close: [] }>();
</script>

<template>
  <Dialog :open="open" class="relative z-10" @close="$emit('close')">
    <div class="fixed inset-0 bg-black/50" aria-hidden="true"></div>
    <div class="fixed inset-0 flex items-center justify-center overflow-y-auto p-4">
      <DialogPanel class="w-full max-w-[640px] border-2 bg-surface p-5">
        <DialogTitle class="mb-3 text-[22px] font-bold">{{ title }}</DialogTitle>
        <dl class="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
          <template v-for="[key, words] in rows" :key="words">
            <dt>
              <span v-if="key" class="keycap">{{ key }}</span>
            </dt>
            <dd class="text-[17px]">{{ words }}</dd>
          </template>
        </dl>
        <button type="button" class="control control-main mt-4" @click="$emit('close')">
          Close <span class="keycap">Esc</span>
        </button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
