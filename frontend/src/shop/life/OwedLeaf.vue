<script setup lang="ts">
/** What the unit owes, done with its job closed; and what was done so. */
import { ref } from "vue";
import { RouterLink } from "vue-router";
import type { LifeView } from "../../api/client";

const props = defineProps<{ view: LifeView; done: (fact: string, words: string) => Promise<boolean> }>();
const words = ref<Record<string, string>>({});
const send = async (fact: string) => {
  if (await props.done(fact, words.value[fact] ?? "")) words.value[fact] = "";
};
</script>

<template>
  <section class="px-5 py-4" aria-label="Put off" data-life-owed>
    <p v-if="!view.owed.length" class="text-[20px]">It owes nothing.</p>
    <form
      v-for="o in view.owed"
      :key="o.fact"
      class="grid items-end gap-3 border-b-2 border-row py-3 md:grid-cols-[1fr_320px_auto]"
      data-owed-row
      @submit.prevent="send(o.fact)"
    >
      <div class="min-w-0">
        <strong class="text-[20px] wrap-anywhere">{{ o.what }}</strong>
        <p class="wrap-anywhere">
          <span :class="o.late ? 'font-bold text-danger' : 'font-semibold'"
            >{{ o.late ? "late, " : "" }}until {{ o.until }}</span
          >, by {{ o.who }}: {{ o.why }}
        </p>
        <p class="text-[15px] text-secondary">put off on {{ o.at }} by {{ o.by }}</p>
      </div>
      <template v-if="!o.open_job">
        <label
          >What was done<input v-model="words[o.fact]" class="field" name="done" maxlength="300" required
        /></label>
        <button type="submit" class="control control-main">It is done</button>
      </template>
      <RouterLink v-else class="control md:col-start-3" :to="`/jobs/${o.job_id}/prove?zone=after`"
        >Its job is open</RouterLink
      >
    </form>
    <template v-if="view.done.length">
      <h2 class="zone-head mt-4 border-b-2 pb-1">Done since, with no job open</h2>
      <p v-for="d in view.done" :key="d.at + d.what" class="border-b border-row py-2 wrap-anywhere">
        <strong>{{ d.what }}</strong>: {{ d.words }}
        <span class="text-secondary">{{ d.by }}, {{ d.at }}</span>
      </p>
    </template>
  </section>
</template>
