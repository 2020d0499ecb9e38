<script setup lang="ts">
/** Which teeth, which flank, what damage; and which teeth of the mate they meet. */
import { computed, ref } from "vue";
import type { InspectView, TeethView, ToothMark } from "../../api/client";
import type { InspectDesk } from "./useInspect";
import ToothRingMark from "../../marks/ToothRingMark.vue";
import PickBox from "../../ui/PickBox.vue";

const props = defineProps<{
  desk: InspectDesk;
  part: string;
  teeth: TeethView;
  damages: InspectView["damages"];
}>();
const flank = ref<ToothMark["flank"]>("drive");
const damage = ref("pits");
const flanks: ToothMark["flank"][] = ["drive", "coast", "both", "tip"];
const typed = ref("");
const total = computed(() => props.teeth.ring.teeth.length);
const here = ref<number | null>(null);
const put = (marks: ToothMark[]) => props.desk.write("teeth", { part: props.part, marks });
/** A tap marks a tooth, a second tap takes the mark off. */
function toggle(teeth: number[]) {
  here.value = teeth.at(-1) ?? null;
  const same = (m: ToothMark, n: number) => m.tooth === n && m.flank === flank.value;
  const off = teeth.length === 1 && props.teeth.marks.some((m) => same(m, teeth[0] ?? 0));
  const kept = props.teeth.marks.filter((m) => !teeth.some((n) => same(m, n)));
  const added = off ? [] : teeth.map((tooth) => ({ tooth, flank: flank.value, damage: damage.value }));
  return put([...kept, ...added]);
}
/** "4-6, 9" as typed. */
async function markTyped() {
  const teeth = typed.value.split(/[ ,;]+/).flatMap((run) => {
    const [a, b] = run.split("-").map(Number);
    if (!a) return [];
    return Array.from({ length: Math.max((b ?? a) - a + 1, 1) }, (_, i) => a + i);
  });
  if (teeth.length && (await toggle(teeth.slice(0, 400)))) typed.value = "";
}
</script>

<template>
  <div class="grid gap-6 border-t-2 px-5 py-3 md:grid-cols-[380px_1fr]" data-teeth>
    <ToothRingMark :scene="teeth.ring" :here="here" @pick="(n) => toggle([n])">
      <text
        :x="teeth.ring.size / 2"
        :y="teeth.ring.size / 2"
        text-anchor="middle"
        font-size="20"
        font-weight="700"
        fill="var(--words)"
      >
        {{ total }} teeth
      </text>
    </ToothRingMark>
    <div class="flex flex-col gap-3">
      <p class="text-[20px] font-bold" aria-live="polite">
        {{ teeth.ring.words || "Tap a tooth to mark it; tooth 1 is the marked one." }}
      </p>
      <fieldset class="flex flex-wrap gap-2">
        <legend class="zone-head">Flank</legend>
        <button
          v-for="f in flanks"
          :key="f"
          type="button"
          class="control"
          :class="flank === f ? 'control-main' : ''"
          :aria-pressed="flank === f"
          @click="flank = f"
        >
          {{ f }}
        </button>
      </fieldset>
      <PickBox
        v-model="damage"
        class="w-[220px]"
        name="damage"
        label="Damage"
        :options="damages.map((d) => [d.key, d.label] as const)"
      />
      <form class="flex items-end gap-3" @submit.prevent="markTyped">
        <label class="w-[220px]"
          >Teeth by number<input v-model="typed" class="field" name="teeth" placeholder="4-6, 9"
        /></label>
        <button type="submit" class="control">Mark</button>
        <button v-if="teeth.marks.length" type="button" class="control" @click="put([])">All clean</button>
      </form>
      <p v-for="m in teeth.mates" :key="m.label" class="text-[17px]">
        <strong>With the {{ m.label.toLowerCase() }}:</strong> {{ m.words }}
      </p>
    </div>
  </div>
</template>
