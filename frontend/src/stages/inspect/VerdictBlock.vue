<script setup lang="ts">
/** What the school in force says, what the other would, and the verdict that is gone by. */
import { computed, nextTick, ref, watch } from "vue";
import type { InspectPart } from "../../api/client";
import type { InspectDesk } from "./useInspect";
import { useKeys } from "../../composables/useKeys";
import PickBox from "../../ui/PickBox.vue";

const props = defineProps<{ desk: InspectDesk; part: InspectPart }>();
const emit = defineEmits<{ next: [] }>();
const choices: [string, string][] = [
  ["", "by the school's verdict"],
  ["reuse", "re-use"],
  ["dress", "dress and re-use"],
  ["replace", "replace"],
  ["send_out", "send out"],
  ["hold", "hold"],
];
const own = ref("");
const words = ref("");
const reason = ref<HTMLInputElement | null>(null);
const verdict = computed(() => own.value || props.part.in_force.verdict);
const ready = computed(() => verdict.value !== "");
const settled = computed(() => props.part.chosen && !props.part.stale);
const needs = computed(
  () => (own.value && own.value !== props.part.in_force.verdict) || props.part.in_force.reason,
);
/** Enter may come before the last grade was answered: it waits for it. */
const waiting = ref(false);
watch(props.desk.busy, (busy) => {
  if (busy || !waiting.value) return;
  waiting.value = false;
  void nextTick(go);
});
async function go() {
  if (props.desk.busy.value) return void (waiting.value = true);
  if (!ready.value) return;
  if (needs.value && !words.value.trim()) return reason.value?.focus();
  const body = { part: props.part.key, verdict: verdict.value, words: words.value };
  if (await props.desk.write("judged", body)) emit("next");
}
useKeys((event) => {
  if (event.key !== "Enter") return false;
  if (settled.value && !own.value) emit("next");
  else void go();
  return true;
});
</script>

<template>
  <form
    class="border-t-2 bg-surface px-5 py-2 max-lg:sticky max-lg:bottom-0 max-lg:z-1"
    data-verdict-block
    @submit.prevent="go"
  >
    <div class="grid gap-x-6 gap-y-2 md:grid-cols-[1fr_1fr]">
      <div data-in-force>
        <p class="text-[15px] text-secondary">This job's school: {{ part.in_force.does }}</p>
        <p class="text-[26px] font-bold leading-tight">{{ part.in_force.label }}</p>
        <p>{{ part.in_force.words }}</p>
      </div>
      <div class="border-l-2 pl-5 max-md:border-l-0 max-md:pl-0" data-other-school>
        <p class="text-[15px] text-secondary">The other school: {{ part.other.does }}</p>
        <p class="text-[20px] font-semibold leading-tight">{{ part.other.label }}</p>
        <p>{{ part.other.words }}{{ part.other.reason ? " Needs a written reason." : "" }}</p>
      </div>
    </div>
    <p v-if="settled" class="mt-2 text-[18px]" data-chosen>
      <strong>Gone by: {{ part.chosen_label }}</strong
      >{{ part.reason ? `, ${part.reason}` : "" }}
      <span class="text-secondary">{{ part.by }}</span>
    </p>
    <p v-else-if="part.stale" class="mt-2">
      <span class="mark font-bold">More is known since: judge again.</span>
    </p>
    <div class="mt-2 flex flex-wrap items-end gap-3">
      <PickBox v-model="own" class="w-[240px]" name="verdict" spoken="Go by" :options="choices" />
      <input
        ref="reason"
        v-model="words"
        class="field min-w-[200px] flex-1"
        name="reason"
        maxlength="500"
        aria-label="Reason"
        :placeholder="needs ? 'reason in writing' : 'reason, if there is one'"
      />
      <button type="submit" class="control control-main" :disabled="!ready" data-go>
        {{ settled ? "Judge again" : "Go by it" }} <span class="keycap">Enter</span>
      </button>
    </div>
  </form>
</template>
