<script setup lang="ts">
/** One piece of evidence: seen, looked for in vain, or not looked at. A tap goes on to the next. */
import type { EvidenceView } from "../../api/client";
import type { InspectDesk } from "./useInspect";

/** `bare`: without a photo of it; `closed`: nothing is written any more. */
const props = defineProps<{ desk: InspectDesk; evidence: EvidenceView; bare?: boolean; closed?: boolean }>();
const say = (seen: string) =>
  props.desk.write("evidence", {
    evidence: props.evidence.key,
    seen: props.evidence.seen === seen ? "not looked" : seen,
  });
async function chosen(event: Event) {
  const input = event.target as HTMLInputElement;
  for (const file of input.files ?? []) await props.desk.photo(file, `evidence:${props.evidence.key}`);
  input.value = "";
}
</script>

<template>
  <li
    class="grid min-h-[50px] grid-cols-[1fr_auto_auto] items-center gap-2 border-b-2 border-row"
    :data-evidence="evidence.key"
  >
    <span class="leading-tight" :class="evidence.seen === 'seen' ? 'font-bold' : ''">{{
      evidence.label
    }}</span>
    <button
      type="button"
      class="control min-h-11 px-3"
      :class="evidence.seen === 'seen' ? 'control-main' : ''"
      :aria-pressed="evidence.seen === 'seen'"
      :disabled="closed"
      data-seen
      @click="say('seen')"
    >
      seen
    </button>
    <button
      type="button"
      class="control min-h-11 px-3"
      :class="evidence.seen === 'absent' ? 'control-main' : ''"
      :aria-pressed="evidence.seen === 'absent'"
      :disabled="closed"
      data-absent
      @click="say('absent')"
    >
      not there
    </button>
    <p v-if="evidence.offered" class="col-span-3 border-l-4 pb-1 pl-3 text-[15px] leading-tight" data-known>
      Known already: {{ evidence.offered }}
    </p>
    <label
      v-if="evidence.seen === 'seen' && !bare"
      class="control col-span-3 mb-2 min-h-11 justify-self-end px-3"
      ><span class="sr-only">Photo of {{ evidence.label }}</span
      ><span aria-hidden="true">{{
        evidence.photos ? `${evidence.photos} photos, one more` : "add a photo"
      }}</span
      ><input type="file" accept="image/png,image/jpeg,image/webp" class="sr-only" @change="chosen"
    /></label>
  </li>
</template>
