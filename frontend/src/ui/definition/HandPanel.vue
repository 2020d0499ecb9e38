<script setup lang="ts">
/** What is in hand: a part or a shaft as it was tapped, any other row, or a list of them. */
import { computed, ref } from "vue";
import type { Trouble } from "../../api/client";
import { LEAVES, type Definition, type Leaf, type Row } from "./columns";
import LeafList from "./LeafList.vue";
import NextPart from "./NextPart.vue";
import { offersFor } from "./offers";
import { leafWords, relatedTo } from "./related";
import RowEditor from "./RowEditor.vue";
import { findRow, labelOf, passingKey, rowsOf } from "./rows";
import type { Acts } from "./useActs";
import type { Choices } from "./useChoices";
import type { Hand } from "./useHand";

const definition = defineModel<Definition>({ required: true });
const props = defineProps<{
  hand: Hand;
  acts: Acts;
  choices: Choices;
  troubles: Trouble[];
  problems: Record<string, string>;
  known: Record<string, string>;
}>();
const next = ref<InstanceType<typeof NextPart> | null>(null);
const held = computed(() => props.hand.held.value);
const row = computed(() => props.hand.row.value);
const index = computed(() =>
  held.value ? rowsOf(definition.value, held.value.leaf).findIndex((r) => r["key"] === held.value?.key) : -1,
);
const shaft = computed(() => findRow(definition.value, "shafts", props.hand.shaft.value));
const related = computed(() =>
  props.hand.part.value ? relatedTo(definition.value, props.hand.part.value) : [],
);
const wrong = (leaf: Leaf, n: number) => props.troubles.some((t) => t.leaf === leaf && t.row === n);
function put(next: Row) {
  if (held.value && row.value) props.acts.put(held.value, row.value, next);
}
const offers = computed(() =>
  held.value && row.value
    ? offersFor(definition.value, held.value, row.value, props.choices.isGear(row.value))
    : [],
);
defineExpose({ focusNext: () => next.value?.focus() });
</script>

<template>
  <section class="flex flex-col gap-4 px-5 py-3" data-in-hand>
    <template v-if="held && row">
      <div class="flex flex-wrap items-start gap-2">
        <h2
          class="line-clamp-2 min-w-0 flex-1 text-[22px] font-bold leading-tight"
          aria-live="polite"
          data-hand-name
        >
          {{ labelOf(row) || "Without a name" }}
        </h2>
        <button type="button" class="control px-3" data-let-go @click="hand.list(held.leaf)">
          {{ leafWords(held.leaf) }}
        </button>
      </div>
      <div v-if="held.leaf === 'parts' && shaft" class="flex flex-wrap gap-2" data-move-along>
        <button type="button" class="control" data-move-low @click="acts.moveAlong(-1)">
          {{ shaft.line === "upright" ? "Up" : "Left" }} <span class="keycap">shift ←</span>
        </button>
        <button type="button" class="control" data-move-high @click="acts.moveAlong(1)">
          {{ shaft.line === "upright" ? "Down" : "Right" }} <span class="keycap">shift →</span>
        </button>
      </div>
      <div v-if="offers.length" class="flex flex-wrap gap-2" data-offers>
        <button
          v-for="o in offers"
          :key="o.leaf"
          type="button"
          class="control"
          :data-offer="o.leaf"
          @click="acts.make(o)"
        >
          {{ o.words }}
        </button>
      </div>
      <RowEditor
        :key="`${held.leaf} ${held.key}`"
        :model-value="row"
        :leaf="held.leaf"
        :index="index"
        :problems="problems"
        :known="known[held.key] ?? ''"
        :choices="choices"
        :picking="hand.picking.value"
        :passing="() => passingKey(definition)"
        @pick="hand.pick"
        @update:model-value="put"
      />
      <NextPart
        v-if="shaft && (held.leaf === 'shafts' || held.leaf === 'parts')"
        ref="next"
        :shaft="labelOf(shaft)"
        :after="hand.part.value ? labelOf(row) : ''"
        :kinds="choices.kinds.value"
        @add="acts.addPart"
      />
      <div v-if="related.length" data-related>
        <h3 class="zone-head">About it</h3>
        <button
          v-for="r in related"
          :key="`${r.leaf} ${r.key}`"
          type="button"
          class="flex min-h-12 w-full cursor-pointer items-center justify-between gap-3 border-b-2 border-row py-1 text-left"
          :data-related-row="r.key"
          @click="hand.take(r.leaf, r.key)"
        >
          <span class="min-w-0 break-words font-bold">{{ r.label }}</span>
          <span class="text-secondary">{{ r.what }}</span>
        </button>
      </div>
      <div class="flex flex-wrap gap-2 border-t-2 pt-3">
        <button
          v-if="held.leaf === 'shafts'"
          type="button"
          class="control"
          data-mirror
          @click="acts.edit('mirror')"
        >
          Copy it mirrored
        </button>
        <button type="button" class="control" data-take-out @click="acts.edit('take_out')">
          Take it out
        </button>
      </div>
    </template>
    <LeafList
      v-else-if="held"
      :definition="definition"
      :leaf="held.leaf"
      :wrong="wrong"
      @take="(key) => held && hand.take(held.leaf, key)"
      @add="held && acts.add(held.leaf)"
      @move="(n, by) => held && acts.moveRow(held.leaf, n, by)"
    />
    <slot v-else />
    <nav class="flex flex-wrap gap-2 border-t-2 pt-3" aria-label="Lists of the definition">
      <button
        v-for="[key, words] in LEAVES"
        :key="key"
        type="button"
        class="control min-h-11 px-3 text-[16px]"
        :class="held?.leaf === key ? 'control-main' : ''"
        :aria-pressed="held?.leaf === key"
        :data-leaf="key"
        @click="hand.list(key)"
      >
        {{ words }} {{ rowsOf(definition, key).length }}
      </button>
    </nav>
  </section>
</template>
