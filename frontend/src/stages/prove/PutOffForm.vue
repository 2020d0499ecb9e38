<script setup lang="ts">
/** Work put off: what, why, by whom, until when. It stays with the unit until it is done. */
import { ref } from "vue";
import PickBox from "../../ui/PickBox.vue";
import type { ProveDesk } from "./useProve";

const props = defineProps<{
  what?: string;
  point?: string;
  until?: string;
  names: string[];
  desk: ProveDesk;
}>();
const emit = defineEmits<{ done: [] }>();
const own = ref(props.what ?? "");
const why = ref("");
const who = ref("");
const day = ref(props.until ?? "");
async function send() {
  const body = {
    what: own.value,
    why: why.value,
    who: who.value,
    until: day.value,
    point: props.point ?? "",
  };
  if (await props.desk.write("deferred", body)) emit("done");
}
</script>

<template>
  <form class="flex flex-col gap-3 border-t-2 pt-3" data-put-off-form @submit.prevent="send">
    <h3 class="zone-head">Put off</h3>
    <label v-if="!point"
      >What<input v-model="own" class="field" name="what" required maxlength="200"
    /></label>
    <label>Why<input v-model="why" class="field" name="why" required maxlength="300" /></label>
    <div class="grid gap-3 sm:grid-cols-2">
      <PickBox
        v-model="who"
        name="who"
        label="Who does it"
        required
        :options="names.map((n) => [n, n] as [string, string])"
      />
      <label>Until<input v-model="day" class="field" name="until" type="date" required /></label>
    </div>
    <div class="flex gap-3">
      <button type="submit" class="control control-main">Put it off</button>
      <button type="button" class="control" @click="$emit('done')">Not now</button>
    </div>
  </form>
</template>
