<script setup lang="ts">
/** Nothing in hand: the shafts to begin at, a pasted parts list, what is said of the whole unit. */
import { computed, ref } from "vue";
import type { Definition } from "./columns";
import PastedParts from "./PastedParts.vue";
import { labelOf, onShaft, rowsOf } from "./rows";
import UnitFields from "./UnitFields.vue";
import type { Acts } from "./useActs";
import type { Choices } from "./useChoices";
import type { Hand } from "./useHand";

const definition = defineModel<Definition>({ required: true });
defineProps<{ hand: Hand; acts: Acts; choices: Choices }>();
const shafts = computed(() => rowsOf(definition.value, "shafts"));
const pairs = computed(() => shafts.value.map((s) => [String(s["key"]), labelOf(s)] as [string, string]));
const pasting = ref(false);
</script>

<template>
  <div class="flex flex-col gap-4">
    <p class="text-[20px] font-bold leading-tight">
      {{
        shafts.length ? "Tap a shaft or a part on the drawing." : "Begin with a shaft, then put its parts on."
      }}
    </p>
    <div class="flex flex-col">
      <button
        v-for="s in shafts"
        :key="String(s.key)"
        type="button"
        class="flex min-h-12 cursor-pointer items-center justify-between gap-3 border-b-2 border-row py-1 text-left"
        :data-shaft-row="s.key"
        @click="hand.take('shafts', String(s.key))"
      >
        <span class="min-w-0 break-words text-[18px] font-bold">{{ labelOf(s) || "Without a name" }}</span>
        <span class="shrink-0 text-secondary">{{ onShaft(definition, String(s.key)).length }} parts</span>
      </button>
    </div>
    <button type="button" class="control" :aria-expanded="pasting" data-paste @click="pasting = !pasting">
      {{ pasting ? "Close the parts list" : "Paste a parts list" }}
    </button>
    <PastedParts v-if="pasting" :kinds="choices.kinds.value" :shafts="pairs" @take="acts.takeParts" />
    <UnitFields v-model="definition" :kinds="choices.kinds.value" />
  </div>
</template>
