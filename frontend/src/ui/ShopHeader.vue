<script setup lang="ts">
/** The shop's pages in the order of use; what is looked up now and then stands on the shelf. */
import { useTitle } from "@vueuse/core";
import { RouterLink } from "vue-router";
import NameMenu from "./NameMenu.vue";
import ShelfMenu from "./ShelfMenu.vue";

const props = defineProps<{ title: string; sub: string }>();
useTitle(() => props.title);
const LINKS = [
  ["/", "Board"],
  ["/today", "Today"],
  ["/receive", "Receive"],
  ["/orders", "Orders"],
  ["/drawer", "Drawer"],
  ["/search", "Search"],
] as const;
const SHELF = [
  ["/practice", "Practice"],
  ["/sums", "Sums"],
  ["/sums/bearing_bore", "Find a bore"],
  ["/limits", "Limit tables"],
  ["/gauges", "Gauges"],
  ["/tools", "Tools"],
  ["/hours", "Shop hours"],
  ["/types", "Unit types"],
  ["/look-fors", "Look-fors"],
  ["/report", "Report"],
  ["/yard", "The yard"],
] as const;
</script>

<template>
  <header class="flex min-h-16 flex-wrap items-center gap-2 border-b-2 bg-bay px-5 py-1">
    <div class="min-w-0 flex-1 max-lg:basis-full">
      <h1 class="truncate text-[18px] font-bold leading-tight">{{ title }}</h1>
      <p class="truncate text-[15px] leading-tight text-secondary">{{ sub }}</p>
    </div>
    <nav aria-label="The shop" class="flex flex-wrap gap-2">
      <RouterLink
        v-for="[to, words] in LINKS"
        :key="to"
        :to="to"
        class="control px-3"
        exact-active-class="control-main"
        >{{ words }}</RouterLink
      >
      <ShelfMenu :links="SHELF" />
    </nav>
    <NameMenu />
  </header>
</template>
