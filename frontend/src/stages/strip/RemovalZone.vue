<script setup lang="ts">
/** Parts as they come off, counted against the list; what each removal would end is asked first. */
import { computed, ref } from "vue";
import type { StripView } from "../../api/client";
import type { StripDesk } from "./useStrip";
import RemovalForm from "./RemovalForm.vue";
import RemovalLog from "./RemovalLog.vue";

const props = defineProps<{ desk: StripDesk; view: StripView }>();
const picked = ref<string | null>(null);
const part = computed(() => props.view.parts.find((p) => p.key === picked.value));
const off = computed(() => props.view.parts.filter((p) => p.off >= p.count).length);
</script>

<template>
  <div class="grid flex-1 content-start lg:grid-cols-[1fr_400px]">
    <section class="bg-bay px-5 py-3 max-lg:order-2">
      <RemovalForm
        v-if="part"
        :key="part.key"
        :desk="desk"
        :part="part"
        :view="view"
        @close="picked = null"
      />
      <RemovalLog v-else :desk="desk" :view="view" />
    </section>
    <section class="border-l-2 max-lg:order-1 max-lg:border-b-2 max-lg:border-l-0">
      <h2 class="zone-head border-b-2 px-5 py-2">
        {{ off }} of {{ view.parts.length }} parts off: tap the one that comes off
      </h2>
      <ul class="max-h-[520px] overflow-y-auto" data-parts>
        <li v-for="p in view.parts" :key="p.key">
          <button
            type="button"
            class="grid min-h-[56px] w-full cursor-pointer grid-cols-[1fr_auto] items-center gap-3 border-b-2 border-row px-5 py-1.5 text-left"
            :class="picked === p.key ? 'bg-here text-on-here' : ''"
            :data-part="p.key"
            @click="picked = p.key"
          >
            <span class="min-w-0"
              ><span class="block truncate font-bold leading-tight">{{ p.label }}</span
              ><span class="block truncate text-[15px]">{{
                p.off ? p.words : p.number || p.kind_label
              }}</span></span
            >
            <span class="font-semibold" :class="p.off && p.off < p.count ? 'mark' : ''">{{
              p.off ? `${p.off} / ${p.count}` : p.count > 1 ? `× ${p.count}` : ""
            }}</span>
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>
