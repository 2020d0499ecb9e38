<script setup lang="ts">
/** What is looked up now and then: behind one word. */
import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/vue";
import { computed } from "vue";
import { RouterLink, useRoute } from "vue-router";

const props = defineProps<{ links: readonly (readonly [string, string])[] }>();
const route = useRoute();
const here = computed(() => props.links.some(([to]) => route.path.startsWith(to)));
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton class="control px-3" :class="here ? 'control-main' : ''" data-shelf>Shelf</MenuButton>
    <MenuItems class="absolute right-0 z-30 mt-1 w-[220px] border-2 bg-surface outline-none">
      <MenuItem v-for="[to, words] in links" :key="to" v-slot="{ active, close }">
        <RouterLink
          :to="to"
          class="flex min-h-12 items-center px-4 text-[17px] font-semibold"
          :class="active ? 'bg-here text-on-here' : ''"
          @click="close"
          >{{ words }}</RouterLink
        >
      </MenuItem>
    </MenuItems>
  </Menu>
</template>
