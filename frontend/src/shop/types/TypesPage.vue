<script setup lang="ts">
/** The yard's unit types: opened, made new, taken in from a file. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { RouterLink, useRouter } from "vue-router";
import { ref } from "vue";
import { api, sendFile, unwrap, type TypeSheet } from "../../api/client";
import { useSending } from "../../composables/useSending";
import WaitPage from "../../stages/WaitPage.vue";
import { draftPath, keptDrafts, throwAway } from "../../ui/definition/useDraft";
import SendingProblem from "../../ui/SendingProblem.vue";
import ShopHeader from "../../ui/ShopHeader.vue";

const { data, error } = useQuery({ queryKey: ["types"], queryFn: () => unwrap(api.GET("/api/unit-types")) });
const client = useQueryClient();
const router = useRouter();
const sending = useSending();
const drafts = ref(keptDrafts());
function letGo(id: string) {
  throwAway(id);
  drafts.value = keptDrafts();
}
async function chosen(event: Event) {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (!file) return;
  await sending.send(async (header) => {
    const sheet = await sendFile<TypeSheet>("/api/unit-types/imports", file, {
      ...header,
      "Content-Type": "application/json",
    });
    await client.invalidateQueries({ queryKey: ["types"] });
    await router.push(`/types/${sheet.type_id}`);
  });
  input.value = "";
}
</script>

<template>
  <ShopHeader title="Unit types" sub="what a unit is made of, and which limits apply" />
  <WaitPage bare v-if="!data" :problem="error" />
  <main v-else>
    <div class="flex flex-wrap gap-3 border-b-2 px-5 py-3">
      <RouterLink to="/types/new" class="control control-main">New type</RouterLink>
      <label class="control"
        >Take one in from a file<input
          type="file"
          accept=".json,application/json"
          class="sr-only"
          data-take-type
          @change="chosen"
      /></label>
    </div>
    <section v-if="drafts.length" aria-label="Not saved" data-drafts>
      <div
        v-for="d in drafts"
        :key="d.id"
        class="flex min-h-[68px] flex-wrap items-center gap-3 border-b-2 border-row px-5 py-2"
        :data-draft="d.id"
      >
        <span class="min-w-0 flex-1 break-words text-[20px] font-bold"
          >{{ d.name || "Without a name" }}
          <span class="text-[16px] font-medium text-secondary"
            >not saved, kept on this device{{ d.seen ? `, from revision ${d.seen}` : "" }}</span
          ></span
        >
        <RouterLink :to="draftPath(d.id)" class="control control-main">Go on</RouterLink>
        <button type="button" class="control" data-let-draft-go @click="letGo(d.id)">Throw it away</button>
      </div>
    </section>
    <p v-if="!data.length" class="px-5 py-6 text-[22px]">
      No unit type is known here yet. Make one, or take one in from a file.
    </p>
    <RouterLink
      v-for="t in data"
      :key="t.id"
      :to="`/types/${t.type_id}`"
      class="grid min-h-[68px] items-center gap-4 border-b-2 border-row px-5 py-2 md:grid-cols-[1fr_1fr_180px]"
      data-type
    >
      <span class="min-w-0 break-words text-[20px] font-bold">{{ t.name }}</span>
      <span class="min-w-0 break-words">{{ t.settings.join(", ") || "nothing to set" }}</span>
      <span class="text-secondary">revision {{ t.number }} · {{ t.parts }} parts</span>
    </RouterLink>
    <SendingProblem :sending="sending" />
  </main>
</template>
