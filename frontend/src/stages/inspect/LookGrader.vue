<script setup lang="ts">
/** One look-for at a time, large: graded by a key or a tap, then the next one. */
import { computed, ref, watch } from "vue";
import type { InspectPart, InspectView, LookView } from "../../api/client";
import type { InspectDesk } from "./useInspect";
import { useKeys } from "../../composables/useKeys";

const props = defineProps<{ desk: InspectDesk; part: InspectPart; grades: InspectView["grades"] }>();
/** Graded here and on its way to the server: keys may come faster than answers. */
const sent = ref<Record<string, string>>({});
function forget(keys: string[]) {
  sent.value = Object.fromEntries(Object.entries(sent.value).filter(([k]) => !keys.includes(k)));
}
const gradeOf = (x: LookView) => sent.value[x.key] ?? x.grade;
const at = ref(
  Math.max(
    props.part.looks.findIndex((x) => !x.grade),
    0,
  ),
);
const look = computed(() => props.part.looks[at.value]);
const open = computed(() => props.part.looks.filter((x) => !gradeOf(x)));
watch(
  () => props.part.looks,
  (looks) => {
    forget(looks.filter((x) => sent.value[x.key] === x.grade).map((x) => x.key));
  },
);
async function grade(keys: string[], value: string) {
  const grades = Object.fromEntries(keys.map((k) => [k, value]));
  sent.value = { ...sent.value, ...grades };
  const next = props.part.looks.findIndex((x) => !gradeOf(x));
  if (next >= 0) at.value = next;
  if (!(await props.desk.write("graded", { part: props.part.key, grades }))) forget(keys);
}
const words = (key: string) => props.grades.find((g) => g.key === key)?.label ?? "";
useKeys((event) => {
  const wanted = props.grades.find((g) => g.typed === event.key);
  if (wanted && look.value) void grade([look.value.key], wanted.key);
  else if (event.key === "0" && open.value.length)
    void grade(
      open.value.map((x) => x.key),
      "sound",
    );
  else if (event.key === "ArrowDown") at.value = Math.min(at.value + 1, props.part.looks.length - 1);
  else if (event.key === "ArrowUp") at.value = Math.max(at.value - 1, 0);
  else return false;
  return true;
});
const tone = (key: string) =>
  key === "unsafe" || key === "worn_beyond" ? "bg-danger text-on-danger" : "bg-here text-on-here";
</script>

<template>
  <div class="grid gap-x-6 px-5 py-3 xl:grid-cols-[1fr_320px]" data-grader>
    <div v-if="look">
      <div class="flex flex-wrap items-start gap-x-4 gap-y-2">
        <div class="flex-1 basis-60">
          <p class="text-[15px] text-secondary">
            Look for, {{ at + 1 }} of {{ part.looks.length }}{{ look.own ? " · the shop's own" : "" }}
          </p>
          <h3 class="text-[28px] font-bold leading-tight" data-look>{{ look.label }}</h3>
        </div>
        <button
          v-if="open.length"
          type="button"
          class="control shrink-0"
          data-rest
          @click="
            grade(
              open.map((x) => x.key),
              'sound',
            )
          "
        >
          {{ open.length === part.looks.length ? "All of it is sound" : "The rest is sound" }}
          <span class="keycap">0</span>
        </button>
      </div>
      <p class="mt-1 text-[18px]">{{ look.means }}</p>
      <div class="mt-3 grid grid-cols-2 gap-2 sm:grid-cols-3">
        <button
          v-for="g in grades"
          :key="g.key"
          type="button"
          class="control min-h-[56px] justify-between!"
          :class="gradeOf(look) === g.key ? tone(g.key) : ''"
          :aria-pressed="gradeOf(look) === g.key"
          :data-grade="g.key"
          @click="grade([look.key], g.key)"
        >
          {{ g.label }} <span class="keycap">{{ g.typed }}</span>
        </button>
      </div>
    </div>
    <ol class="gap-x-6 max-xl:mt-3 max-xl:grid max-xl:grid-cols-2">
      <li v-for="(x, n) in part.looks" :key="x.key">
        <button
          type="button"
          class="grid h-11 w-full cursor-pointer grid-cols-[1fr_auto] items-center gap-3 border-b-2 border-row text-left"
          :class="n === at ? 'font-bold underline' : ''"
          @click="at = n"
        >
          <span class="truncate">{{ x.label }}</span><span
            class="text-[15px] font-semibold"
            :class="['unsafe', 'worn_beyond'].includes(gradeOf(x)) ? 'text-danger' : ''"
            >{{ words(gradeOf(x)) }}</span
          >
        </button>
      </li>
    </ol>
  </div>
</template>
