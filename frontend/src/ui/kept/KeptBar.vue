<script setup lang="ts">
/** Always in sight while it matters: that the yard does not answer, how much is kept here, what was refused of it, and
 * what this browser cannot keep. */
import { computed, ref, useTemplateRef, watch } from "vue";
import { CLOCK_OFF, link } from "../../api/kept/link";
import { useEdge } from "../../composables/useEdge";
import { useSendsKept } from "../../composables/useOutbox";
import { usePageVersion } from "../../composables/usePageVersion";
import KeptList from "./KeptList.vue";

useEdge("--kept", useTemplateRef<HTMLElement>("bar"));
const { waiting, refused, mine, insist, drop } = useSendsKept();
const { newer, take } = usePageVersion();
const open = ref(false);
const kept = computed(() => waiting.value.length + refused.value.length);
const others = computed(() => waiting.value.filter((i) => !mine(i)).length);
const clock = (at: number) =>
  new Date(at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
const CANNOT: Record<string, string> = {
  full: "There is no room left on this device: nothing more is kept. Write it on paper, and make room.",
  outbox: "This browser keeps nothing (a private window?): without the yard nothing can be taken here.",
  seen: "This browser keeps nothing (a private window?): without the yard nothing is shown here.",
};
const words = computed(() => {
  const said: string[] = [];
  if (link.lost) said.push("The yard does not answer.");
  if (link.lost && link.asOf) said.push(`Shown as of ${clock(link.asOf)}.`);
  if (link.keepsNothing) said.push(CANNOT[link.keepsNothing] ?? "");
  if (Math.abs(link.ahead) > CLOCK_OFF && !link.lost)
    said.push(
      `This clock is ${Math.round(Math.abs(link.ahead) / 60_000)} min ${link.ahead > 0 ? "ahead of" : "behind"} the yard's: times are put right.`,
    );
  if (others.value) said.push(`${others.value} of them wait for whoever made them to sign in.`);
  return said.join(" ");
});
const shown = computed(() => words.value !== "" || kept.value > 0 || newer.value);
watch(kept, (n) => {
  if (!n) open.value = false;
});
</script>

<template>
  <aside
    v-if="shown"
    ref="bar"
    class="sticky top-0 z-40 border-b-2 bg-found px-5 py-1 text-surface"
    aria-live="polite"
    data-kept-bar
  >
    <div class="flex min-h-11 flex-wrap items-center gap-x-4">
      <b v-if="kept" class="text-[20px]" data-kept>{{ kept }} kept here</b>
      <span class="min-w-0 flex-1 text-[16px]">{{ words }}</span>
      <button
        v-if="kept"
        type="button"
        class="control px-3"
        :aria-expanded="open"
        data-kept-open
        @click="open = !open"
      >
        {{ refused.length ? `${refused.length} to decide` : "What is kept" }}
      </button>
      <button v-if="newer" type="button" class="control px-3" data-newer @click="take">
        A newer page waits: take it
      </button>
    </div>
    <KeptList v-if="open" :waiting="waiting" :refused="refused" @insist="insist" @drop="drop" />
  </aside>
</template>
