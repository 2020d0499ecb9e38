<script setup lang="ts">
/** Search across the yard; a bag's code from its label finds its contents. */
import { useQuery } from "@tanstack/vue-query";
import { computed, ref } from "vue";
import { RouterLink, useRoute, useRouter } from "vue-router";
import { api, unwrap } from "../api/client";
import UnitTag from "../ui/UnitTag.vue";
import ShopHeader from "../ui/ShopHeader.vue";

const route = useRoute();
const router = useRouter();
const typed = ref(String(route.query["q"] ?? ""));
const wanted = computed(() => String(route.query["q"] ?? ""));
const { data, error } = useQuery({
  queryKey: computed(() => ["search", wanted.value]),
  queryFn: () => unwrap(api.GET("/api/search", { params: { query: { q: wanted.value } } })),
  enabled: computed(() => wanted.value.length > 1),
});
const names: Record<string, string> = {
  job: "unit",
  part: "part",
  bag: "bag",
  serial: "serial",
  loose: "loose item",
  wrong: "as found",
  order: "order",
  mechanic: "mechanic",
};
const look = () => router.replace({ query: { q: typed.value.trim() } });
</script>

<template>
  <ShopHeader title="Search" sub="part, tag, bag, serial, unit, mechanic" />
  <main class="px-5 py-5">
    <form role="search" class="flex gap-3" @submit.prevent="look">
      <input
        v-model="typed"
        class="field text-[28px] font-bold"
        name="q"
        aria-label="What to look for"
        autofocus
        autocomplete="off"
        placeholder="W-17/3, TB-3310, seal"
        @input="look"
      />
      <button type="submit" class="control control-main">Find</button>
    </form>
    <p v-if="error" role="alert" class="mt-4 font-bold text-danger">{{ error.message }}</p>
    <p v-else-if="wanted.length < 2" class="mt-6 text-[20px]">
      Two letters are enough. The code on a bag's label finds what is in it.
    </p>
    <p v-else-if="data && !data.found.length" class="mt-6 text-[20px]">
      Nothing in the yard is called {{ wanted }}. Try fewer letters, or the number on the plate.
    </p>
    <ul v-if="data" class="mt-4" data-found>
      <li v-for="(f, i) in data.found" :key="i">
        <RouterLink
          :to="f.to"
          class="grid min-h-[60px] items-center gap-4 border-b-2 border-row py-1 sm:grid-cols-[98px_110px_1fr]"
        >
          <UnitTag :tag="f.tag" small />
          <span class="text-secondary"
            >{{ names[f.what] ?? f.what }}<strong v-if="f.closed"> closed</strong></span
          >
          <span
            ><span class="block text-[19px] font-bold leading-tight">{{ f.title }}</span
            ><span v-if="f.words !== f.title" class="block truncate text-secondary">{{ f.words }}</span></span
          >
        </RouterLink>
      </li>
    </ul>
    <p v-if="data?.more" class="mt-3">There is more: type another word.</p>
  </main>
</template>
