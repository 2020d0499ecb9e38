<script setup lang="ts">
/** A photo of the marked tooth: chosen or taken, its flank's four corners set, laid under what is painted. */
import { computed, ref, toRef } from "vue";
import { api, unwrap } from "../../api/client";
import CornersMark from "../../marks/CornersMark.vue";
import { useStrip } from "../strip/useStrip";

const props = defineProps<{ job: string; taper: number }>();
const emit = defineEmits<{ laid: [url: string]; mask: [mask: number[][]]; close: [] }>();
const desk = useStrip(toRef(props, "job"));
const corners = ref([
  [0.2, 0.7],
  [0.8, 0.75],
  [0.8, 0.3],
  [0.2, 0.35],
] as [number, number][]);
const picked = ref("");
const photos = computed(() => desk.view.value?.photos.filter((p) => !p.struck) ?? []);
const photo = computed(() => photos.value.find((p) => p.id === picked.value));
const asked = computed(() =>
  corners.value
    .flat()
    .map((v) => v.toFixed(4))
    .join(","),
);
const trouble = ref("");

async function chosen(event: Event) {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (file && (await desk.photo(file, "", "marked tooth"))) picked.value = photos.value.at(-1)?.id ?? "";
  input.value = "";
}
function lay() {
  if (!photo.value) return;
  emit("laid", `${photo.value.url}/under-flank?corners=${asked.value}&taper=${props.taper}`);
}
async function paint(which: "lighter" | "darker") {
  if (!photo.value) return;
  const sha256 = photo.value.url.split("/").at(-1) ?? "";
  trouble.value = "";
  try {
    const query = { corners: asked.value };
    const found = await unwrap(
      api.GET("/api/photos/{sha256}/first-paint", { params: { path: { sha256 }, query } }),
    );
    lay();
    emit("mask", found[which]);
    emit("close");
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : String(error);
  }
}
</script>

<template>
  <div class="mt-2 border-2 p-3" data-photo-under-panel>
    <div class="flex flex-wrap items-center gap-2">
      <button
        v-for="p in photos"
        :key="p.id"
        type="button"
        class="h-16 w-20 cursor-pointer border-2"
        :class="p.id === picked ? 'border-4 border-found' : 'border-control'"
        :aria-pressed="p.id === picked"
        :data-photo-pick="p.id"
        @click="picked = p.id"
      >
        <img :src="p.thumb" :alt="p.caption || 'photo'" class="h-full w-full object-cover" />
      </button>
      <label class="control"
        >Take or choose a photo<input
          type="file"
          accept="image/png,image/jpeg,image/webp"
          class="sr-only"
          data-photo-new
          @change="chosen"
      /></label>
      <button type="button" class="control" @click="$emit('close')">Close</button>
    </div>
    <template v-if="photo">
      <CornersMark v-model="corners" class="mt-2" :photo="photo" />
      <div class="mt-2 flex flex-wrap gap-2">
        <button type="button" class="control" data-lay @click="(lay(), $emit('close'))">Lay it under</button>
        <button type="button" class="control" data-first="lighter" @click="paint('lighter')">
          Paint its lighter patch
        </button>
        <button type="button" class="control" data-first="darker" @click="paint('darker')">
          Paint its darker patch
        </button>
      </div>
      <p class="mt-1 text-secondary">A first paint only: look, and correct it by hand.</p>
    </template>
    <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
  </div>
</template>
