<script setup lang="ts">
/** A unit type begun: from a pattern with a few questions, or from an empty sheet. */
import { useQuery } from "@tanstack/vue-query";
import { computed, ref } from "vue";
import { useRouter } from "vue-router";
import { api, unwrap } from "../../api/client";
import { useSending } from "../../composables/useSending";
import SectionMark from "../../marks/SectionMark.vue";
import WaitPage from "../../stages/WaitPage.vue";
import type { Definition } from "../../ui/definition/columns";
import { putAside } from "../../ui/definition/useDraft";
import RadioRow from "../../ui/RadioRow.vue";
import SendingProblem from "../../ui/SendingProblem.vue";
import ShopHeader from "../../ui/ShopHeader.vue";

const router = useRouter();
const sending = useSending();
const { data, error } = useQuery({
  queryKey: ["patterns"],
  queryFn: () => unwrap(api.GET("/api/patterns")),
  staleTime: Infinity,
});
const key = ref("");
const answers = ref<Record<string, string>>({});
const pattern = computed(() => data.value?.find((p) => p.key === key.value));
function choose(chosen: string) {
  key.value = chosen;
  answers.value = Object.fromEntries(
    (pattern.value?.questions ?? []).map((q) => [q.key, q.options[0]?.key ?? ""]),
  );
}
async function begin(name: string, definition: Definition) {
  await router.push(`/types/${putAside({ name, definition, seen: 0 })}`);
}
const start = () =>
  sending.send(async () => {
    const made = await unwrap(
      api.POST("/api/patterns/{key}", {
        params: { path: { key: key.value } },
        body: { answers: answers.value },
      }),
    );
    await begin(made.name, made.definition as Definition);
  });
const empty = () => begin("", { shafts: [], parts: [], meshes: [], places: [], settings: [] });
</script>

<template>
  <ShopHeader title="New unit type" sub="begin with what comes nearest, then change it on its drawing" />
  <WaitPage bare v-if="!data" :problem="error" />
  <main v-else class="px-5 py-4">
    <section v-if="pattern" class="grid gap-6 lg:grid-cols-[1fr_420px]" data-questions>
      <div class="min-w-0 bg-bay p-3"><SectionMark :scene="pattern.section" close /></div>
      <form class="flex flex-col gap-4" @submit.prevent="start">
        <h2 class="text-[26px] font-bold leading-tight">{{ pattern.name }}</h2>
        <p>{{ pattern.words }}</p>
        <RadioRow
          v-for="q in pattern.questions"
          :key="q.key"
          v-model="answers[q.key]!"
          :name="q.key"
          :label="q.words"
          :options="q.options.map((o) => [o.key, o.words] as const)"
          stacked
        />
        <div class="flex flex-wrap gap-3">
          <button type="submit" class="control control-main" data-begin>Begin</button>
          <button type="button" class="control" @click="key = ''">Another pattern</button>
        </div>
        <SendingProblem :sending="sending" />
      </form>
    </section>
    <template v-else>
      <h2 class="mb-3 text-[26px] font-bold leading-tight">What does it come nearest to?</h2>
      <div class="grid gap-3 sm:grid-cols-2 lg:grid-cols-3 xl:grid-cols-4">
        <button
          v-for="p in data"
          :key="p.key"
          type="button"
          class="flex cursor-pointer flex-col border-2 bg-bay text-left"
          :data-pattern="p.key"
          @click="choose(p.key)"
        >
          <span
            class="pointer-events-none flex h-[118px] w-full items-center justify-center overflow-hidden p-2 [&_svg]:max-h-[102px]"
          >
            <SectionMark :scene="p.section" close />
          </span>
          <span class="block w-full flex-1 border-t-2 bg-surface px-3 py-2">
            <span class="block text-[18px] font-bold leading-tight">{{ p.name }}</span>
            <span class="block text-[15px] leading-tight text-secondary">{{ p.words }}</span>
          </span>
        </button>
        <button
          type="button"
          class="flex min-h-[120px] cursor-pointer flex-col justify-end border-2 border-dashed px-3 py-2 text-left"
          data-pattern="empty"
          @click="empty"
        >
          <span class="block text-[18px] font-bold leading-tight">An empty sheet</span>
          <span class="block text-[15px] leading-tight text-secondary"
            >Shaft by shaft, or from a parts list that is pasted.</span
          >
        </button>
      </div>
    </template>
  </main>
</template>
