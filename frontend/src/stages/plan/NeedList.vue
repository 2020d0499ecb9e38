<script setup lang="ts">
/** What binds the step in hand, each need with its reason; one that is not so here is overruled with a reason. */
import { computed, ref, watch } from "vue";
import type { NeedView, PlanView, StepView } from "../../api/client";
import type { PlanDesk } from "./usePlan";

const props = defineProps<{ view: PlanView; desk: PlanDesk; step: StepView }>();
const step = (key: string) => props.view.steps.find((s) => s.key === key);
const name = (key: string) => `${step(key)?.number ?? "?"} ${step(key)?.label ?? key}`;
const mine = computed(() =>
  props.view.needs.filter((n) => n.before === props.step.key || n.after === props.step.key),
);
const asked = ref<NeedView | null>(null);
const why = ref("");
watch(
  () => props.step.key,
  () => (asked.value = null),
);
function ask(need: NeedView) {
  asked.value = need;
  why.value = "";
}
async function judge(need: NeedView, holds: boolean, words: string) {
  const { before, after } = need;
  if (await props.desk.write("need_judged", { before, after, holds, words })) asked.value = null;
}
</script>

<template>
  <section v-if="mine.length" class="border-t-2 px-5 py-2" aria-label="Needs" data-needs>
    <h2 class="zone-head">What binds step {{ step(props.step.key)?.number }}</h2>
    <ul class="text-[16px]">
      <li v-for="n in mine" :key="n.before + n.after" class="border-b border-row py-1">
        <b>{{ n.after === props.step.key ? `after ${name(n.before)}` : `before ${name(n.after)}` }}</b>
        <span class="block text-secondary"
          >{{ n.reason }}{{ n.derived ? (n.confirmed ? ", confirmed" : ", from the section") : "" }}</span
        >
        <form v-if="asked === n" class="mt-1 flex items-end gap-2" @submit.prevent="judge(n, false, why)">
          <label class="flex-1"
            >Not so here, because<input v-model="why" class="field" name="need-why" required maxlength="400"
          /></label>
          <button type="submit" class="control px-3">Overrule</button>
        </form>
        <span v-else-if="n.rule !== 'dry'" class="mt-1 flex flex-wrap gap-2">
          <button type="button" class="control min-h-11 px-3 text-[16px]" data-not-so @click="ask(n)">
            Not so
          </button>
          <button
            v-if="n.derived && !n.confirmed"
            type="button"
            class="control min-h-11 px-3 text-[16px]"
            data-it-is-so
            @click="judge(n, true, 'looked: it is so')"
          >
            It is so
          </button>
        </span>
      </li>
    </ul>
  </section>
</template>
