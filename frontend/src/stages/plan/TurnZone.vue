<script setup lang="ts">
/** The free-turn log: every turn with what went in before it, the break after the last good one, suspects. */
import { computed, ref, watchEffect } from "vue";
import type { PlanView } from "../../api/client";
import { useKeys } from "../../composables/useKeys";
import PickBox from "../../ui/PickBox.vue";
import type { PlanDesk } from "./usePlan";
import { typedNumber } from "../../ui/typedNumber";

const props = defineProps<{ view: PlanView; desk: PlanDesk }>();
const shaft = ref("");
const drag = ref("");
const feel = ref("");
const turns = ref("5");
watchEffect(() => {
  if (!shaft.value)
    shaft.value = props.view.turn_owed || (props.view.turns.at(-1)?.shaft ?? props.view.shafts[0]?.key ?? "");
});
const shafts = computed(() => props.view.shafts.map((s) => [s.key, s.label] as const));
const label = (step: string) => props.view.steps.find((s) => s.key === step)?.label ?? step;
const name = (key: string) => props.view.shafts.find((s) => s.key === key)?.label ?? key;
const suspect = (step: string) => props.view.suspects.findIndex((s) => s.step === step);
const broken = (i: number) =>
  props.view.suspects.length > 0 && props.view.turns[i - 1]?.fact === props.view.last_good;
async function take() {
  if (!feel.value) return;
  const body = {
    shaft: shaft.value,
    feel: feel.value,
    turns: typedNumber(turns.value, 5),
    drag: drag.value.trim(),
  };
  if (await props.desk.write("turned", body)) {
    feel.value = "";
    drag.value = "";
    shaft.value = "";
  }
}
useKeys((event, typing) => {
  const n = Number(event.key);
  const wanted = props.view.feels[n - 1];
  if (!typing && n >= 1 && wanted) feel.value = wanted.key;
  else if (event.key === "Enter" && feel.value) void take();
  else return false;
  return true;
});
</script>

<template>
  <div class="grid flex-1 lg:grid-cols-[1fr_440px]" data-turns>
    <section class="px-5 py-3" aria-label="Turns">
      <p v-if="!view.turns.length" class="py-3 text-[18px]">
        Nobody turned it yet. After each turning part: five turns by hand, and say how it felt.
      </p>
      <ol>
        <template v-for="(t, i) in view.turns" :key="t.fact">
          <li v-if="broken(i)" class="h-[3.5px] bg-danger" data-break>
            <span class="sr-only">last good turn above</span>
          </li>
          <li
            class="grid min-h-[52px] grid-cols-[40px_1fr_auto] items-center gap-3 border-b-2 border-row"
            :data-turn="t.feel"
          >
            <span class="text-[22px] font-bold">{{ i + 1 }}</span>
            <span class="flex min-w-0 flex-wrap gap-2">
              <span v-if="!t.added.length" class="text-[17px]">{{ name(t.shaft) }}</span>
              <span
                v-for="a in t.added"
                :key="a"
                class="border-2 px-2 text-[16px] font-semibold"
                :class="
                  suspect(a) === 0
                    ? 'border-move-edge bg-move text-move-edge'
                    : suspect(a) > 0
                      ? 'border-dashed'
                      : 'border-transparent'
                "
                >{{ label(a) }}</span
              >
            </span>
            <span class="text-[19px] font-bold" :class="t.good ? '' : 'text-danger'"
              >{{ t.drag ? `${t.drag} · ` : "" }}{{ t.words }}
              <span class="text-[15px] font-medium text-secondary">{{ t.by }}</span></span
            >
          </li>
        </template>
      </ol>
      <form class="mt-4 flex flex-col gap-3" @submit.prevent="take">
        <div class="flex flex-wrap items-end gap-3">
          <PickBox
            v-model="shaft"
            name="turn-shaft"
            label="Turn by hand"
            :options="shafts"
            class="w-[300px]"
          />
          <label class="w-[110px]"
            >Turns<input v-model="turns" class="field" name="turns" inputmode="numeric"
          /></label>
          <label class="w-[150px]"
            >Drag, N·m<input v-model="drag" class="field" name="drag" inputmode="decimal" autocomplete="off"
          /></label>
        </div>
        <div class="flex flex-wrap items-stretch gap-2">
          <div class="flex flex-wrap gap-2" role="group" aria-label="How it feels">
            <button
              v-for="(f, i) in view.feels"
              :key="f.key"
              type="button"
              class="control min-h-[76px] w-[104px] flex-col gap-1 px-1 text-center leading-tight"
              :class="feel === f.key ? 'control-main' : ''"
              :aria-pressed="feel === f.key"
              :data-feel="f.key"
              @click="feel = f.key"
            >
              {{ f.label }}<span class="text-[16px] font-medium">{{ i + 1 }}</span>
            </button>
          </div>
          <button type="submit" class="control control-main min-h-[76px] min-w-[170px]" :disabled="!feel">
            Take it <span class="keycap">Enter</span>
          </button>
        </div>
      </form>
    </section>
    <aside class="border-l-2 bg-bay px-5 py-3 max-lg:border-l-0 max-lg:border-t-2" aria-label="Suspects">
      <h2 class="zone-head border-b-2 pb-1">
        {{ view.suspects.length ? "What went in since the last good turn" : "Nothing is suspect" }}
      </h2>
      <ol>
        <li v-for="(s, i) in view.suspects" :key="s.step" class="border-b-2 border-row py-2" data-suspect>
          <b class="text-[19px]" :class="i === 0 ? 'mark' : ''">{{ s.label }}</b>
          <span class="ml-2 text-secondary">{{ s.near }}</span>
          <span class="mt-1 block text-[16px]">{{ s.test }}</span>
        </li>
      </ol>
    </aside>
  </div>
</template>
