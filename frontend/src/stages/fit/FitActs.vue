<script setup lang="ts">
/** What can be said of a fit as it stands now: home, short, seated, a gap; pressed; tightened. */
import { computed, ref } from "vue";
import type { FitAt } from "../../api/client";
import type { FitDesk } from "./useFit";

const props = defineProps<{ fit: FitAt; desk: FitDesk }>();
const asking = ref("");
const words = ref("");
const has = (sum: string) => props.fit.laid.find((l) => l.sum === sum);
/** The act on the black button, and the one beside it that wants words. */
const offered = computed<{ main: [string, string] | null; other: [string, string] | null; fact: string }>(
  () => {
    const hot = props.fit.hot;
    if (hot) {
      const fact = hot.fact;
      if (hot.state === "hot" || hot.state === "late")
        return {
          fact,
          main: hot.state === "hot" ? ["home", "It is home"] : null,
          other: ["short", "Gripped short"],
        };
      if (hot.state === "holding" || hot.state === "cooling")
        return { fact, main: ["seated", "Cold: no feeler goes"], other: ["gap", "A feeler goes"] };
      return { fact, main: null, other: null };
    }
    const press = has("fit_press") ?? has("fit_taper") ?? has("fit_ram") ?? has("fit_nut");
    if (press && props.fit.open)
      return { fact: press.fact, main: ["pressed", "Pressed home"], other: ["gap", "A feeler goes"] };
    const bolts = has("fit_bolts");
    if (bolts && props.fit.open)
      return { fact: bolts.fact, main: ["tightened", "All tightened"], other: null };
    return { fact: "", main: null, other: null };
  },
);
async function say(what: string) {
  const sent = { fit: offered.value.fact, what, words: words.value };
  if (await props.desk.write("fit_seen", sent)) asking.value = words.value = "";
}
const main = () => offered.value.main && void say(offered.value.main[0]);
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
    <button
      v-if="offered.other"
      type="button"
      class="control"
      :data-other="offered.other[0]"
      @click="asking = offered.other[0]"
    >
      {{ offered.other[1] }}
    </button>
    <button v-if="offered.main" type="button" class="control control-main" data-main @click="main">
      {{ offered.main[1] }} <span class="keycap">Enter</span>
    </button>
  </template>
</template>
