<script setup lang="ts">
/** A few words on what is not as planned: how it was done, why it is skipped, what was seen, why all the same. */
import { computed } from "vue";
import SecondPerson from "../../ui/people/SecondPerson.vue";
import type { StepActs } from "./useStepActs";

const props = defineProps<{ acts: StepActs }>();
const { asking, said, needsSecond, problem } = props.acts;
const title = computed(
  () =>
    ({
      differently: "How was it done?",
      skipped: "Why is it skipped?",
      wrong: "What do you see?",
      despite: "Why does it go on all the same?",
    })[asking.value as string] ?? "",
);
</script>

<template>
  <form
    class="flex flex-col gap-3 border-b-2 border-l-4 border-l-danger px-5 py-4"
    data-words
    @submit.prevent="acts.answer"
  >
    <p v-if="problem" class="text-[19px] font-bold text-danger" role="alert">
      {{ problem.message }} <span class="font-medium text-words">{{ problem.next_step }}</span>
    </p>
    <label class="max-w-[640px] text-[18px] font-bold"
      >{{ title }}<input v-model="said.words" class="field" name="words" required maxlength="400" autofocus
    /></label>
    <SecondPerson
      v-if="asking === 'despite' && needsSecond"
      v-model:name="said.second"
      v-model:pin="said.pin"
      class="max-w-[400px]"
      label="Who else agrees"
      required
    />
    <div class="flex gap-3">
      <button type="submit" class="control control-main">Write it down</button>
      <button type="button" class="control" @click="acts.stopAsking">
        Not yet <span class="keycap">Esc</span>
      </button>
    </div>
  </form>
</template>
