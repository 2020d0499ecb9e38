<script setup lang="ts">
/** The places of the section as a list: the one in hand opens to its parts, as found, settings. */
import { nextTick, watch } from "vue";
import { RouterLink } from "vue-router";
import type { JobView } from "../../api/client";
import VerdictMark from "../../marks/VerdictMark.vue";

const props = defineProps<{ job: JobView }>();
const here = defineModel<string | null>({ required: true });
const settings = (ids: string[]) => props.job.settings.filter((s) => ids.includes(s.id));
const words = (say: { text: string }[]) => say.map((x) => x.text).join("");
watch(here, async (key) => {
  await nextTick();
  if (key) document.querySelector(`[data-place-row="${key}"]`)?.scrollIntoView({ block: "nearest" });
});
</script>

<template>
  <section class="border-l-2 max-lg:border-l-0 max-lg:border-t-2" aria-label="Places">
    <p v-if="!job.places.length" class="px-5 py-4 text-[18px]">No places are defined yet.</p>
    <ul>
      <li v-for="p in job.places" :key="p.key" class="border-b-2 border-row" :data-place-row="p.key">
        <button
          type="button"
          class="grid min-h-[64px] w-full cursor-pointer grid-cols-[36px_1fr_auto] items-center gap-3 px-5 py-2 text-left"
          :class="here === p.key ? 'bg-here text-on-here' : ''"
          :aria-expanded="here === p.key"
          @click="here = here === p.key ? null : p.key"
        >
          <span class="text-[26px] font-bold">{{ p.number }}</span>
          <span class="min-w-0"
            ><span class="block text-[18px] font-bold leading-tight">{{ p.label }}</span
            ><span class="block truncate">{{
              settings(p.settings)
                .map((s) => s.label)
                .join(", ") || p.parts.join(", ")
            }}</span></span
          >
          <span class="flex flex-col items-end gap-1"
            ><span v-for="s in settings(p.settings)" :key="s.id" class="flex flex-col items-center"
              ><VerdictMark :code="s.verdict" /><span class="text-[15px] font-bold uppercase">{{
                s.verdict_words
              }}</span></span
            ></span
          >
        </button>
        <div v-if="here === p.key" class="flex flex-col gap-2 px-5 py-3" data-place-open>
          <p v-if="p.parts.length"><strong>Parts</strong> {{ p.parts.join(", ") }}</p>
          <p v-for="f in p.found" :key="f"><strong>As found</strong> {{ f }}</p>
          <p v-if="!p.found.length" class="text-secondary">Nothing written down as found here.</p>
          <template v-for="s in settings(p.settings)" :key="s.id">
            <p class="text-[18px] font-semibold">{{ words(s.say) }}</p>
            <RouterLink
              :to="`/jobs/${job.id}/set/${s.id}`"
              class="control control-main self-start"
              data-open-setting
            >
              Open {{ s.label }}{{ s.signed ? ", signed" : s.disturbed ? ", disturbed" : "" }}
            </RouterLink>
          </template>
        </div>
      </li>
    </ul>
  </section>
</template>
