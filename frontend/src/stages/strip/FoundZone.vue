<script setup lang="ts">
/** The as-found capture: the section with what is still to find, the list, and one thing at a time. */
import { computed, ref, watch } from "vue";
import type { StripView } from "../../api/client";
import type { StripDesk } from "./useStrip";
import FlankMark from "../../marks/FlankMark.vue";
import SectionMark from "../../marks/SectionMark.vue";
import FoundForm from "./FoundForm.vue";
import LockOutForm from "./LockOutForm.vue";
import WrongForm from "./WrongForm.vue";

const props = defineProps<{ desk: StripDesk; view: StripView }>();
const picked = ref<string | null>(null);
const place = ref<string | null>(null);
const item = computed(() => props.view.baselines.find((b) => b.key === picked.value));
const shown = computed(() =>
  place.value ? props.view.baselines.filter((b) => b.place === place.value) : props.view.baselines,
);
const open = computed(() => props.view.baselines.filter((b) => b.state === "open").length);
const lockOut = computed(() => props.view.job.stands === "field" && !props.view.locked_out);
watch(place, () => (picked.value = null));
</script>

<template>
  <div class="grid flex-1 content-start lg:grid-cols-[1fr_400px]">
    <section class="min-w-0 bg-bay px-5 py-3 max-lg:order-2">
      <LockOutForm v-if="lockOut" :desk="desk" />
      <FoundForm
        v-else-if="item"
        :key="item.key"
        :desk="desk"
        :item="item"
        :job="view.job"
        @close="picked = null"
      />
      <template v-else>
        <div class="overflow-x-auto">
          <SectionMark :scene="view.section" :here="place" @pick="(k) => (place = place === k ? null : k)" />
        </div>
        <div v-if="view.flanks.length" class="mt-3 grid gap-4 md:grid-cols-2">
          <FlankMark v-for="f in view.flanks" :key="f.label" :scene="f" />
        </div>
        <WrongForm :desk="desk" :view="view" />
      </template>
    </section>
    <section class="border-l-2 max-lg:order-1 max-lg:border-b-2 max-lg:border-l-0">
      <h2 class="zone-head flex items-center justify-between border-b-2 px-5 py-2">
        <span>{{ open ? `${open} still to find` : "As found is complete" }}</span>
        <button v-if="place" type="button" class="control" @click="place = null">All places</button>
      </h2>
      <ul class="max-h-[520px] overflow-y-auto" data-baselines>
        <li v-for="b in shown" :key="b.key">
          <button
            type="button"
            class="grid min-h-[60px] w-full cursor-pointer grid-cols-[1fr_auto] items-center gap-3 border-b-2 border-row px-5 py-2 text-left"
            :class="picked === b.key ? 'bg-here text-on-here' : ''"
            :data-baseline="b.key"
            @click="picked = b.key"
          >
            <span class="min-w-0"
              ><span class="block font-bold leading-tight">{{ b.ask }}</span
              ><span v-if="b.words" class="block truncate">{{ b.words }}</span></span
            >
            <span class="text-[16px]" :class="b.state === 'open' ? 'mark font-bold' : 'font-semibold'">{{
              b.state === "open" ? "to find" : b.state
            }}</span>
          </button>
        </li>
      </ul>
      <p v-if="!shown.length" class="px-5 py-4 text-[18px]">Nothing is asked as found here.</p>
    </section>
  </div>
</template>
