<script setup lang="ts">
/** Timing marks: which teeth to paint, what must stand opposite what, and whether it does. */
import { computed, ref } from "vue";
import type { TrainView } from "../../api/client";
import { useKeys } from "../../composables/useKeys";
import GearsMark from "../../marks/GearsMark.vue";
import VerdictTag from "../../marks/VerdictTag.vue";
import { typedNumber } from "../../ui/typedNumber";
import type { TrainDesk } from "./useTrain";

const props = defineProps<{ view: TrainView; desk: TrainDesk }>();
const rows = computed(() => props.view.sheet.timing);
const firstOpen = () =>
  Math.max(
    0,
    rows.value.findIndex((r) => r.off === null),
  );
const at = ref(firstOpen());
const off = ref("1");
const asking = ref("");
async function take(mark: string | undefined, teeth: number) {
  if (!mark) return;
  if (!(await props.desk.write("timing_seen", { mark, off: teeth }))) return;
  asking.value = "";
  at.value = firstOpen();
}
useKeys((event, typing) => {
  const key = rows.value[at.value]?.key;
  if (event.key === "Enter" && asking.value) void take(asking.value, typedNumber(off.value, 1));
  else if (typing) return false;
  else if (event.key === "ArrowDown") at.value = (at.value + 1) % rows.value.length;
  else if (event.key === "ArrowUp") at.value = (at.value + rows.value.length - 1) % rows.value.length;
  else if (event.key === "y") void take(key, 0);
  else if (event.key === "x") asking.value = key ?? "";
  else return false;
  return true;
});
</script>

<template>
  <div class="grid flex-1 content-start lg:grid-cols-[1fr_480px]" data-train-marks>
    <section
      class="grid min-w-0 content-start items-start gap-4 bg-bay px-5 py-3 sm:grid-cols-2 xl:grid-cols-3"
      aria-label="Which tooth stands in which space"
    >
      <GearsMark v-for="(scene, i) in view.close" :key="`close ${i}`" :scene="scene" />
      <GearsMark v-for="(scene, i) in view.marks" :key="i" :scene="scene" />
    </section>
    <ol class="border-l-2 max-lg:border-l-0 max-lg:border-t-2">
      <li
        v-for="(r, i) in rows"
        :key="r.key"
        class="border-b-2 border-row px-4 py-3"
        :class="i === at ? 'border-l-8 border-l-here' : ''"
        :data-mark-row="r.key"
      >
        <div class="flex items-center justify-between gap-3">
          <b class="text-[20px]">{{ r.label }}</b>
          <VerdictTag
            :code="r.code"
            :words="r.off === null ? 'not looked at' : r.off ? 'out' : 'right'"
            small
          />
        </div>
        <p class="mt-1 text-[17px]">{{ r.paint }}</p>
        <p v-if="r.again" class="text-[16px] text-secondary">{{ r.again }}</p>
        <p v-if="r.off" class="mt-1 text-[17px] font-semibold text-danger">{{ r.words }}</p>
        <form
          v-if="asking === r.key"
          class="mt-2 flex items-end gap-3"
          @submit.prevent="take(r.key, typedNumber(off, 1))"
        >
          <label class="w-[160px]"
            >Teeth out<input
              v-model="off"
              class="field"
              name="teeth-out"
              inputmode="numeric"
              autocomplete="off"
          /></label>
          <button type="submit" class="control control-main">
            Write it down <span class="keycap">Enter</span>
          </button>
        </form>
        <div v-else class="mt-2 flex flex-wrap gap-2">
          <button type="button" class="control" data-stands @click="take(r.key, 0)">
            Tooth in its space <span v-if="i === at" class="keycap">y</span>
          </button>
          <button type="button" class="control" data-out @click="asking = r.key">
            It is out <span v-if="i === at" class="keycap">x</span>
          </button>
        </div>
      </li>
    </ol>
  </div>
</template>
