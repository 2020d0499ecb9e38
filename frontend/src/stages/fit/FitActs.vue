<script setup lang="ts">
/** What can be said of a fit as it stands now: the next act on the black button, and what went otherwise. */
import { computed, ref } from "vue";
import { RouterLink } from "vue-router";
import type { FitAt } from "../../api/client";
import type { FitDesk } from "./useFit";

const props = defineProps<{ fit: FitAt; desk: FitDesk }>();
const asking = ref("");
const words = ref("");
const acts = computed(() => props.fit.offered);
const inspect = computed(() => `/jobs/${props.desk.view.value?.job.id ?? ""}/inspect`);
async function say(what: string) {
  const fact = props.fit.laid.find((l) => l.sum === acts.value.sum)?.fact;
  const sent = { fit: fact, what, words: words.value };
  if (await props.desk.write("fit_seen", sent)) asking.value = words.value = "";
}
const main = () => acts.value.main && void say(acts.value.main.what);
defineExpose({ main });
</script>

<template>
  <form v-if="asking" class="flex items-end gap-2" data-ask @submit.prevent="say(asking)">
    <label class="w-[280px]"
      >Where, and by how much<input
        v-model="words"
        class="field"
        name="words"
        required
        maxlength="200"
        autofocus
    /></label>
    <button type="submit" class="control control-main">Write it</button>
    <button type="button" class="control" @click="asking = ''">Back</button>
  </form>
  <template v-else>
    <RouterLink v-if="fit.out" :to="inspect" class="control control-main" data-to-inspect
      >Back to Inspect</RouterLink
    >
    <button
      v-if="acts.other"
      type="button"
      class="control"
      :data-other="acts.other.what"
      @click="asking = acts.other.what"
    >
      {{ acts.other.words }}
    </button>
    <button v-if="acts.main" type="button" class="control control-main" data-main @click="main">
      {{ acts.main.words }} <span class="keycap">Enter</span>
    </button>
  </template>
</template>
