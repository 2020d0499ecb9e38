<script setup lang="ts">
/** Who is at the bench; behind the name: who else or signing out, light or dark, the yard. */
import { Popover, PopoverButton, PopoverPanel } from "@headlessui/vue";
import { computed } from "vue";
import { RouterLink } from "vue-router";
import { actor, chooseActor, useMechanics } from "../composables/useActor";
import { useMe } from "../composables/useMe";
import { theme, useTheme, type Theme } from "../composables/useTheme";
import RadioRow from "./RadioRow.vue";

const { data, isPending } = useMechanics();
const { me, authenticated, may, leave } = useMe();
const people = computed(() => (data.value ?? []).map((m) => [m.id, m.name] as const));
const name = computed(() =>
  authenticated.value ? (me.value?.name ?? "") : (people.value.find(([id]) => id === actor.value)?.[1] ?? ""),
);
/** A name that is known and not read yet is not asked for. */
const known = computed(() => isPending.value && actor.value !== "");
const shown = computed(() => name.value || (known.value ? "…" : "Who are you?"));
const THEMES: [Theme, string][] = [
  ["system", "as the system"],
  ["light", "light"],
  ["dark", "dark"],
];
</script>

<template>
  <Popover class="relative shrink-0">
    <PopoverButton
      class="control max-w-[190px] px-3"
      :class="name || known ? '' : 'border-dashed'"
      data-actor
      :aria-label="`${shown}: who is working, light or dark, the yard`"
    >
      <span class="truncate">{{ shown }}</span>
    </PopoverButton>
    <PopoverPanel
      v-slot="{ close }"
      class="absolute right-0 z-30 mt-1 flex w-[300px] flex-col gap-4 border-2 bg-surface p-4"
      data-name-menu
    >
      <div v-if="authenticated" class="flex flex-col gap-2" data-signed-in>
        <p class="leading-tight">
          <b>{{ me?.name }}</b>, {{ me?.role }}<template v-if="me?.device">, at {{ me.device }}</template>
        </p>
        <button type="button" class="control" data-leave @click="leave(false)">Sign out</button>
        <button type="button" class="control" data-leave-all @click="leave(true)">Sign out everywhere</button>
        <RouterLink to="/me" class="control" @click="close()">My PIN and passphrase</RouterLink>
      </div>
      <RadioRow
        v-else
        :model-value="actor"
        name="actor"
        label="Who is working"
        :options="people"
        stacked
        @update:model-value="(id: string) => (chooseActor(id), close())"
      />
      <p v-if="!authenticated && !people.length">Nobody works here yet.</p>
      <p v-if="me?.trusts && !authenticated" class="text-[15px] leading-tight text-secondary" data-trusts>
        This machine is trusted: whoever sits here is taken at their word. Any other has to sign in.
      </p>
      <RadioRow
        :model-value="theme"
        name="theme"
        label="Light or dark"
        :options="THEMES"
        stacked
        @update:model-value="(to: string) => useTheme(to as Theme)"
      />
      <RouterLink v-if="may('own')" to="/people" class="control" @click="close()">Who may sign in</RouterLink>
      <RouterLink to="/yard" class="control" @click="close()">The yard and its people</RouterLink>
    </PopoverPanel>
  </Popover>
</template>
