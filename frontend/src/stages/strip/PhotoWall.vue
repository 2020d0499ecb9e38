<script setup lang="ts">
/** Photos: taken in by content, shown small, opened whole. */
import { computed, ref } from "vue";
import type { StripView } from "../../api/client";
import type { StripDesk } from "./useStrip";
import PartChoice from "./PartChoice.vue";

const props = defineProps<{ desk: StripDesk; view: StripView }>();
const subject = ref("");
const caption = ref("");
const labels = computed(() => new Map(props.view.parts.map((p) => [p.key, p.label])));
const striking = ref("");
const why = ref("");
async function strike(photo: string) {
  if (!(await props.desk.write({ kind: "photo_struck", body: { photo, words: why.value } }))) return;
  striking.value = "";
  why.value = "";
}
async function chosen(event: Event) {
  const input = event.target as HTMLInputElement;
  for (const file of input.files ?? [])
    if (await props.desk.photo(file, subject.value, caption.value)) caption.value = "";
  input.value = "";
}
</script>

<template>
  <div class="flex-1 px-5 py-4" data-photos>
    <div class="flex flex-wrap items-end gap-3 border-b-2 pb-4">
      <PartChoice v-model="subject" :parts="view.parts" label="Shows" optional />
      <label class="min-w-[220px] flex-1"
        >Caption<input v-model="caption" class="field" name="caption" maxlength="200"
      /></label>
      <label class="control control-main"
        >Take or choose a photo<input
          type="file"
          accept="image/png,image/jpeg,image/webp"
          class="sr-only"
          multiple
          data-photo
          @change="chosen"
      /></label>
    </div>
    <p class="mt-2 text-secondary">
      PNG, JPEG or WebP, at most 15 MB. Place and time in the file are taken out before it is kept.
    </p>
    <p v-if="!view.photos.length" class="mt-4 text-[20px]">No photo yet.</p>
    <ul class="mt-3 grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
      <li v-for="p in view.photos" :key="p.id">
        <a
          :href="p.url"
          target="_blank"
          rel="noopener"
          class="block border-2"
          :class="p.struck ? 'opacity-50' : ''"
          ><img
            :src="p.thumb"
            :alt="p.caption || labels.get(p.subject) || 'photo of the unit'"
            class="aspect-[4/3] w-full object-cover"
            loading="lazy"
        /></a>
        <p v-if="p.struck" class="border-l-4 border-danger pl-2 font-semibold" data-struck>
          Struck: {{ p.struck }}
        </p>
        <form v-else-if="striking === p.id" class="mt-1 flex gap-2" @submit.prevent="strike(p.id)">
          <input
            v-model="why"
            class="field"
            name="why-struck"
            aria-label="Why it is struck"
            placeholder="why"
            required
          />
          <button type="submit" class="control px-3">Strike</button>
        </form>
        <button v-else type="button" class="control mt-1 min-h-11 px-3" data-strike @click="striking = p.id">
          Strike it
        </button>
        <p class="font-semibold">{{ labels.get(p.subject) ?? "the unit" }}</p>
        <p>
          {{ p.caption }} <span class="text-secondary">{{ p.by }}</span>
        </p>
      </li>
    </ul>
  </div>
</template>
