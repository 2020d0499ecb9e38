<script setup lang="ts">
/** Evidence ticked, causes ranked by it, what would tell two apart, the holds put on the build. */
import { computed } from "vue";
import type { InspectView } from "../../api/client";
import type { InspectDesk } from "./useInspect";
import CauseList from "./CauseList.vue";
import EvidenceRow from "./EvidenceRow.vue";
import HoldList from "./HoldList.vue";

const props = defineProps<{ desk: InspectDesk; view: InspectView }>();
const zones = computed(() => {
  const found = new Map<string, InspectView["evidence"]>();
  for (const e of props.view.evidence) found.set(e.zone, [...(found.get(e.zone) ?? []), e]);
  return [...found];
});
const offered = computed(() => props.view.evidence.filter((e) => e.offered && e.seen === "not looked"));
async function takeKnown() {
  for (const e of offered.value)
    await props.desk.write("evidence", { evidence: e.key, seen: "seen", words: e.offered.slice(0, 400) });
}
const asked = computed(() => props.view.diagnosis.tell_apart);
</script>

<template>
  <div class="grid flex-1 lg:grid-cols-[1fr_480px]">
    <section class="bg-bay px-5 py-3" aria-label="Evidence">
      <div class="gap-x-8 md:columns-2">
        <div v-for="[zone, rows] in zones" :key="zone" class="mb-3 break-inside-avoid">
          <h2 class="zone-head border-b-2 capitalize">{{ zone }}</h2>
          <ul>
            <EvidenceRow v-for="e in rows" :key="e.key" :desk="desk" :evidence="e" />
          </ul>
        </div>
      </div>
    </section>
    <section class="border-l-2 px-5 py-3 max-lg:border-l-0 max-lg:border-t-2" data-diagnosis>
      <p class="text-[26px] font-bold leading-tight" aria-live="polite" data-diagnosis-words>
        {{ view.diagnosis.words }}
      </p>
      <p
        v-for="w in view.contradictions"
        :key="w"
        class="mt-2 border-l-4 border-danger pl-3 font-semibold"
        data-contradiction
      >
        {{ w }}
      </p>
      <p v-if="offered.length" class="mt-2 flex flex-wrap items-center gap-3">
        <span>{{ offered.length }} known already from what was found.</span>
        <button type="button" class="control" data-take-known @click="takeKnown">Take them as seen</button>
      </p>
      <template v-if="asked.length">
        <h2 class="zone-head mt-3">Look at these to tell them apart</h2>
        <ul>
          <li v-for="w in asked" :key="w" class="text-[17px]">{{ w }}</li>
        </ul>
      </template>
      <HoldList v-if="view.holds.length" :desk="desk" :holds="view.holds" />
      <CauseList :desk="desk" :view="view" />
    </section>
  </div>
</template>
