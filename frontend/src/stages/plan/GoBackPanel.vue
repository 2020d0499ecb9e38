<script setup lang="ts">
/** A step that is done: only looked at, written wrongly, or really taken apart with all that stands on it. */
import { onMounted, ref } from "vue";
import type { PlanView, StepView, WayBack } from "../../api/client";
import TickBox from "../../ui/TickBox.vue";
import type { PlanDesk } from "./usePlan";

const props = defineProps<{ view: PlanView; step: StepView; desk: PlanDesk }>();
const emit = defineEmits<{ done: [] }>();
const way = ref<WayBack | null>(null);
const why = ref<"" | "written_wrongly" | "taken_apart">("");
const words = ref("");
const ticked = ref<Record<string, boolean>>({});
onMounted(async () => (way.value = await props.desk.wayBack(props.step.key)));
const label = (key: string) => props.view.steps.find((s) => s.key === key)?.label ?? key;
async function write() {
  const all = way.value?.steps ?? [];
  const steps = why.value === "written_wrongly" ? [props.step.key] : all.filter((k) => ticked.value[k]);
  if (await props.desk.write("went_back", { steps, why: why.value, words: words.value })) emit("done");
}
</script>

<template>
  <section class="flex flex-col gap-3 border-b-2 px-5 py-4" aria-label="Go back" data-go-back>
    <p class="text-[18px]">
      {{ step.state === "done" ? "Done" : step.state }}{{ step.by ? ` by ${step.by}` : ""
      }}{{ step.how ? `: ${step.how}` : "" }}. Looking changes nothing.
    </p>
    <div v-if="!why" class="flex flex-wrap gap-3">
      <button type="button" class="control" data-why="written_wrongly" @click="why = 'written_wrongly'">
        It was written wrongly
      </button>
      <button type="button" class="control" data-why="taken_apart" @click="why = 'taken_apart'">
        It is really taken apart
      </button>
    </div>
    <form v-else class="flex flex-col gap-3" @submit.prevent="write">
      <template v-if="why === 'taken_apart' && way">
        <p class="text-[18px] font-bold">Tick what came off, in this order.</p>
        <TickBox
          v-for="key in way.steps"
          :key="key"
          :model-value="ticked[key] ?? false"
          :name="`off-${key}`"
          :label="label(key)"
          @update:model-value="(on: boolean) => (ticked[key] = on)"
        />
        <p v-if="way.spoils.length">Spoiled: {{ way.spoils.join(", ") }}.</p>
        <p>{{ Math.round(way.minutes) }} min of hands, off and on again.</p>
      </template>
      <p v-else>It counts as not done; what was built on it is marked to be looked at again.</p>
      <label class="max-w-[560px]"
        >In a few words<input v-model="words" class="field" name="back-words"
      /></label>
      <div class="flex gap-3">
        <button type="submit" class="control control-main">Write it down</button>
        <button type="button" class="control" @click="why = ''">Leave it</button>
      </div>
    </form>
  </section>
</template>
