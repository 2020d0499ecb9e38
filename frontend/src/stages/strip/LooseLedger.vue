<script setup lang="ts">
/** Loose items: dropped, found, accounted for. An open one keeps the job from being closed. */
import { reactive, ref } from "vue";
import type { StripView } from "../../api/client";
import type { StripDesk } from "./useStrip";

const props = defineProps<{ desk: StripDesk; view: StripView }>();
const draft = reactive({ what: "", where: "" });
const how = ref<Record<string, string>>({});
async function drop() {
  if (await props.desk.write({ kind: "loose", body: { ...draft } }))
    Object.assign(draft, { what: "", where: "" });
}
const account = (id: string) =>
  void props.desk.write({ kind: "accounted", body: { loose: id, words: how.value[id] ?? "" } });
</script>

<template>
  <div class="flex-1 px-5 py-4" data-loose>
    <form class="flex flex-wrap items-end gap-3 border-b-2 pb-4" @submit.prevent="drop">
      <label class="min-w-[220px] flex-1"
        >Dropped<input v-model="draft.what" class="field" name="what" required
      /></label>
      <label class="min-w-[220px] flex-1"
        >Where<input v-model="draft.where" class="field" name="where" required
      /></label>
      <button type="submit" class="control control-main">It is loose in there</button>
    </form>
    <p v-if="!view.loose.length" class="mt-4 text-[20px]">Nothing was dropped.</p>
    <ul>
      <li
        v-for="i in view.loose"
        :key="i.id"
        class="grid items-center gap-4 border-b-2 border-row py-3 lg:grid-cols-[1fr_1fr]"
      >
        <span
          ><span class="text-[20px] font-bold" :class="i.open ? 'mark' : ''">{{ i.what }}</span>
          <span class="block text-secondary">dropped at {{ i.where }} · {{ i.by }}</span></span
        >
        <form v-if="i.open" class="flex gap-3" @submit.prevent="account(i.id)">
          <input
            v-model="how[i.id]"
            class="field"
            name="how"
            required
            aria-label="How it is accounted for"
            placeholder="found in the sump; picked out with a magnet"
          />
          <button type="submit" class="control shrink-0">Accounted for</button>
        </form>
        <span v-else class="text-[18px]">{{ i.words }}</span>
      </li>
    </ul>
  </div>
</template>
