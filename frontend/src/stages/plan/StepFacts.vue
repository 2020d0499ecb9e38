<script setup lang="ts">
/** What a step takes and asks, only what applies: parts with counts, side, consumables, tools, lifting, wait. */
import { computed } from "vue";
import type { StepView } from "../../api/client";

const props = defineProps<{ step: StepView; drawn: boolean }>();
const rows = computed(() => {
  const s = props.step.step;
  const wait = props.step.wait;
  const said: [string, string][] = [
    ["Side", s.side],
    ["Way round", props.drawn ? "" : s.way_round],
    ["Wrong way round", props.drawn ? "" : s.wrong_way],
    ["Takes of the store", s.consumables.join(", ")],
    ["Tools", s.tools.join(", ")],
    ["With", s.resource],
    ["Hangs on", s.lift],
    ["Carried by", s.support],
    ["Pairs of hands", s.hands > 1 ? String(s.hands) : ""],
    ["Torque", props.drawn ? "" : s.torque],
    [
      "Then it",
      wait ? `${wait.words} ${wait.lasts}${wait.may_be_left ? "" : ", somebody stays with it"}` : "",
    ],
    ["Comes from", props.step.origin],
  ];
  return said.filter(([, words]) => words);
});
</script>

<template>
  <div class="px-5 py-4">
    <ul v-if="step.parts.length" class="mb-3 flex flex-wrap gap-2" aria-label="Parts">
      <li
        v-for="p in step.parts"
        :key="p.key"
        class="border-2 border-found bg-neutral px-3 py-1 text-[18px] font-semibold text-found"
      >
        {{ p.count > 1 ? `${p.count} × ` : "" }}{{ p.label }}{{ p.fresh ? ", new" : ""
        }}{{ p.mass_kg ? `, ${p.mass_kg} kg` : "" }}
      </li>
    </ul>
    <dl class="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[17px]">
      <template v-for="[name, words] in rows" :key="name">
        <dt class="text-secondary">{{ name }}</dt>
        <dd class="font-semibold">{{ words }}</dd>
      </template>
    </dl>
  </div>
</template>
