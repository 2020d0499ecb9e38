<script setup lang="ts">
/** Levers together: what must go and what must not, tried on the bench. */
import { computed, ref } from "vue";
import type { LeverRow } from "../../api/client";
import { useKeys } from "../../composables/useKeys";
import VerdictTag from "../../marks/VerdictTag.vue";
import type { TrainDesk } from "./useTrain";

const props = defineProps<{ rows: LeverRow[]; desk: TrainDesk }>();
const at = ref(
  Math.max(
    0,
    props.rows.findIndex((r) => r.went === null),
  ),
);
const row = computed(() => props.rows[at.value]);
async function take(tried: LeverRow | undefined, went: boolean) {
  if (!tried) return;
  if (await props.desk.write("levers_tried", { at: tried.at, went }))
    at.value = Math.max(
      0,
      props.rows.findIndex((r) => r.went === null),
    );
}
useKeys((event, typing) => {
  if (typing) return false;
  if (event.key === "ArrowDown") at.value = (at.value + 1) % props.rows.length;
  else if (event.key === "ArrowUp") at.value = (at.value + props.rows.length - 1) % props.rows.length;
  else if (event.key === "y") void take(row.value, true);
  else if (event.key === "x") void take(row.value, false);
  else return false;
  return true;
});
const said = (r: LeverRow) => (r.went === null ? "not tried" : r.went ? "went" : "did not go");
</script>

<template>
  <section class="relative min-w-0 overflow-x-auto px-5 py-2" data-train-levers>
    <table class="w-full max-w-[1040px] text-left text-[18px]">
      <caption class="zone-head text-left">
        Try every row, with the input turned to and fro
      </caption>
      <thead>
        <tr class="border-b-2">
          <th class="py-1 pr-4 font-bold">Levers</th>
          <th class="pr-4 font-bold">They must</th>
          <th class="pr-4 font-bold">Found</th>
          <th><span class="sr-only">Tried</span></th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(r, i) in rows"
          :key="r.key"
          class="border-b-2 border-row"
          :class="i === at ? 'bg-here text-on-here' : ''"
          :data-levers="r.key"
          @click="at = i"
        >
          <td class="min-w-[240px] py-1 pr-4 pl-2 font-semibold">{{ r.label }}</td>
          <td class="pr-4">{{ r.must ? "go" : `not go: ${r.why}` }}</td>
          <td class="pr-4">
            <span class="inline-block bg-surface text-words"
              ><VerdictTag :code="r.code" :words="said(r)" small
            /></span>
          </td>
          <td class="py-0.5">
            <span class="flex justify-end gap-2">
              <button type="button" class="control min-h-11 py-0" data-went @click.stop="take(r, true)">
                Went <span v-if="i === at" class="keycap">y</span>
              </button>
              <button type="button" class="control min-h-11 py-0" data-not-went @click.stop="take(r, false)">
                Did not <span v-if="i === at" class="keycap">x</span>
              </button>
            </span>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
