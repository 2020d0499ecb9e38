<script setup lang="ts">
/** The pack that is really in: tap plates out of it, tap shims from the drawer in, or type them. */
import { computed, onMounted, ref } from "vue";
import type { DrawerLot } from "../../api/client";
import type { Shim } from "./drafts";

const emit = defineEmits<{ putIn: [] }>();
defineProps<{ drawer: DrawerLot[]; title: string }>();
const plates = defineModel<Shim[]>({ required: true });
const typed = defineModel<string>("typed", { required: true });
const field = ref<HTMLInputElement | null>(null);
onMounted(() => typed.value && field.value?.focus());
const size = (shim: Shim) => (typeof shim.send === "number" ? shim.send : 0);
const sorted = computed(() =>
  plates.value.map((shim, i) => ({ shim, i })).sort((a, b) => size(b.shim) - size(a.shim)),
);
function out(i: number) {
  plates.value = plates.value.filter((_, j) => j !== i);
}
</script>

<template>
  <div class="flex flex-col gap-2">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
      <h3 class="zone-head">{{ title }}</h3>
      <div class="flex min-h-12 flex-wrap gap-2" data-pack-list>
        <button
          v-for="p in sorted"
          :key="p.i"
          type="button"
          class="control min-w-[76px] bg-neutral text-[20px]"
          :aria-label="`Take out ${p.shim.label}`"
          @click="out(p.i)"
        >
          {{ p.shim.label }}
        </button>
        <span v-if="!plates.length" class="self-center text-secondary">no shims</span>
      </div>
    </div>
    <div>
      <h3 class="zone-head">
        Drawer
        <span class="font-medium text-secondary">tap one to put it in, one above to take it out</span>
      </h3>
      <div class="mt-1 flex flex-wrap gap-2">
        <button
          v-for="d in drawer"
          :key="d.thickness"
          type="button"
          class="control flex-col gap-0 leading-tight"
          @click="plates = [...plates, { send: d.thickness, label: d.label }]"
        >
          <span class="sr-only">Put in</span>
          <span class="text-[19px]">{{ d.label }}</span>
          <span class="text-[15px] font-medium">{{ d.count }} there</span>
        </button>
      </div>
    </div>
    <label class="flex items-center gap-3">
      <span class="shrink-0">or type them</span>
      <input
        ref="field"
        v-model="typed"
        class="field max-w-[260px]"
        placeholder="0.50 + 0.25 + 0.10"
        data-type-plates
        data-live
        @keydown.enter.prevent="emit('putIn')"
      />
      <button type="button" class="control whitespace-nowrap" @click="emit('putIn')">Put in</button>
    </label>
  </div>
</template>
