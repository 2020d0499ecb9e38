<script setup lang="ts">
/** The same thing at each strip, side by side. */
import type { LifeView } from "../../api/client";

defineProps<{ view: LifeView }>();
</script>

<template>
  <p v-if="!view.photos.length" class="px-5 py-6 text-[20px]">No photo was taken of it yet.</p>
  <section
    v-for="s in view.photos"
    :key="s.subject"
    class="relative overflow-x-auto border-b-2 px-5 py-4"
    :aria-label="s.label"
    data-life-photos
  >
    <h2 class="zone-head">{{ s.label }}</h2>
    <div
      class="mt-2 grid gap-3"
      :style="{ gridTemplateColumns: `repeat(${view.visits.length}, minmax(180px, 1fr))` }"
    >
      <div v-for="(shots, i) in s.by_visit" :key="view.visits[i]!.job_id">
        <p class="font-semibold">{{ view.visits[i]!.day }}</p>
        <p v-if="!shots.length" class="text-secondary">none</p>
        <a
          v-for="p in shots"
          :key="p.id"
          :href="p.url"
          target="_blank"
          rel="noopener"
          class="mt-1 block border-2"
          ><img
            :src="p.thumb"
            :alt="p.caption || s.label"
            class="aspect-[4/3] w-full object-cover"
            loading="lazy"
          />
          <span class="block px-2 py-1 text-[15px]">{{ p.caption }}</span></a
        >
      </div>
    </div>
  </section>
</template>
