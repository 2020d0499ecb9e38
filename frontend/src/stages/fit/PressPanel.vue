<script setup lang="ts">
/** The gauge of this ram, and the push written down against its band. */
import { ref } from "vue";
import type { FitAt } from "../../api/client";
import SceneMark from "../../marks/SceneMark.vue";

defineProps<{ fit: FitAt }>();
const emit = defineEmits<{ point: [body: Record<string, unknown>] }>();
const travel = ref("");
const push = ref("");
function send() {
  emit("point", { travel: travel.value, push: push.value });
  travel.value = push.value = "";
}
</script>

<template>
  <section class="min-w-0 px-5 py-3 lg:border-l-2" aria-label="Press" data-press>
    <SceneMark v-if="fit.face" :scene="fit.face" />
    <template v-if="fit.push">
      <h2 class="zone-head mt-2">Push as it goes on</h2>
      <p
        v-if="fit.push.words"
        class="mt-1 bg-danger px-3 py-2 text-[18px] font-bold text-on-danger"
        role="alert"
        data-push-words
      >
        {{ fit.push.words }}
      </p>
      <SceneMark class="mt-2" :scene="fit.push.log" />
      <form class="mt-2 flex flex-wrap items-end gap-3" data-push-point @submit.prevent="send">
        <label class="w-[110px]"
          >Travel, mm<input v-model="travel" class="field" name="travel" inputmode="decimal" required
        /></label>
        <label class="w-[130px]"
          >Push, kN<input v-model="push" class="field" name="push" inputmode="decimal" required
        /></label>
        <button type="submit" class="control">Write it</button>
      </form>
    </template>
  </section>
</template>
