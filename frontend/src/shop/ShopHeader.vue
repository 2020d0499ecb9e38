<script setup lang="ts">
import { RouterLink } from "vue-router";
import { nextTheme, theme } from "../composables/useTheme";
import ActorChoice from "../ui/ActorChoice.vue";

defineProps<{ title: string; sub: string }>();
const links: [string, string][] = [
  ["/", "Board"],
  ["/drawer", "Drawer"],
  ["/gauges", "Gauges"],
  ["/types", "Unit types"],
  ["/look-fors", "Look-fors"],
  ["/orders", "Orders"],
  ["/search", "Search"],
  ["/receive", "Receive"],
];
</script>

<template>
  <header class="flex min-h-16 items-center gap-2 border-b-2 bg-bay px-5 py-1 max-lg:flex-wrap">
    <div class="min-w-0 flex-1 max-lg:basis-full">
      <h1 class="text-[18px] font-bold leading-tight">{{ title }}</h1>
      <p class="text-[15px] leading-tight text-secondary">{{ sub }}</p>
    </div>
    <RouterLink
      v-for="[to, words] in links"
      :key="to"
      :to="to"
      class="control px-3"
      exact-active-class="control-main"
      >{{ words }}</RouterLink
    >
    <button type="button" class="control" @click="nextTheme">
      {{ theme === "system" ? "As system" : theme === "dark" ? "Dark" : "Light" }}
    </button>
    <ActorChoice />
  </header>
</template>
