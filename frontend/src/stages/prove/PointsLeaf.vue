<script setup lang="ts">
/** Points by their groups; one of them in hand. */
import { computed, ref, watch } from "vue";
import type { ProveView } from "../../api/client";
import { useKeys } from "../../composables/useKeys";
import PointPane from "./PointPane.vue";
import PointRow from "./PointRow.vue";
import type { ProveDesk } from "./useProve";

const props = defineProps<{ view: ProveView; leaf: string; desk: ProveDesk; none: string }>();
const shown = computed(() => props.view.groups.filter((g) => g.leaf === props.leaf));
const points = computed(() => shown.value.flatMap((g) => g.points));
const unfolded = ref(new Set<string>());
const rows = computed(() =>
  shown.value.map((g) => ({
    ...g,
    open: g.points.filter((p) => p.is_open),
    answered: g.points.filter((p) => !p.is_open),
  })),
);
const inSight = computed(() =>
  rows.value.flatMap((g) => [...g.open, ...(unfolded.value.has(g.key) ? g.answered : [])]),
);
const picked = ref("");
const point = computed(() => points.value.find((p) => p.key === picked.value));
/** What is in hand stays until it is answered; then the next open one. */
watch(
  points,
  (now, before) => {
    const was = before?.find((p) => p.key === picked.value);
    const is = now.find((p) => p.key === picked.value);
    const answered = was !== undefined && is !== undefined && was.is_open && !is.is_open;
    if (is && !answered) return;
    const at = now.findIndex((p) => p.key === picked.value);
    const round = [...now.slice(at + 1), ...now.slice(0, at + 1)];
    picked.value = (round.find((p) => p.is_open) ?? is ?? now[0])?.key ?? "";
  },
  { immediate: true },
);
function move(by: number) {
  const list = inSight.value;
  const at = list.findIndex((p) => p.key === picked.value);
  picked.value = list[Math.min(list.length - 1, Math.max(0, at + by))]?.key ?? picked.value;
}
function toggle(key: string) {
  const next = new Set(unfolded.value);
  if (!next.delete(key)) next.add(key);
  unfolded.value = next;
}
useKeys((event, typing) => {
  if (typing) return false;
  if (event.key === "ArrowDown") move(1);
  else if (event.key === "ArrowUp") move(-1);
  else return false;
  return true;
});
watch(picked, (key) => document.getElementById(`point-${key}`)?.scrollIntoView({ block: "nearest" }), {
  flush: "post",
});
</script>

<template>
  <div class="grid flex-1 content-stretch lg:grid-cols-[1fr_420px]" data-points>
    <div
      class="min-w-0 overflow-y-auto max-lg:max-h-[46vh] max-lg:border-b-2 lg:max-h-[max(420px,calc(100vh-222px))]"
    >
      <p v-if="!points.length" class="px-5 py-6 text-[20px]">{{ none }}</p>
      <section v-for="g in rows" :key="g.key" :aria-label="g.label" :data-group="g.key">
        <h2 class="border-b-2 bg-bay">
          <component
            :is="g.answered.length ? 'button' : 'div'"
            :type="g.answered.length ? 'button' : undefined"
            class="zone-head flex min-h-11 w-full items-center justify-between gap-4 px-5 text-left"
            :class="g.answered.length ? 'cursor-pointer' : ''"
            :aria-expanded="g.answered.length ? unfolded.has(g.key) : undefined"
            data-answered
            @click="toggle(g.key)"
          >
            <span>{{ g.label }}</span>
            <span class="font-medium"
              ><span v-if="g.open.length" class="font-bold">{{ g.open.length }} open</span
              ><template v-if="g.open.length && g.answered.length">, </template
              ><span v-if="g.answered.length" class="underline"
                >{{ g.answered.length }} settled{{ unfolded.has(g.key) ? ": fold" : "" }}</span
              ></span
            >
          </component>
        </h2>
        <ul>
          <PointRow
            v-for="p in g.open"
            :key="p.key"
            :point="p"
            :here="p.key === picked"
            @pick="picked = p.key"
          />
        </ul>
        <ul v-if="unfolded.has(g.key)">
          <PointRow
            v-for="p in g.answered"
            :key="p.key"
            :point="p"
            :here="p.key === picked"
            @pick="picked = p.key"
          />
        </ul>
      </section>
    </div>
    <PointPane v-if="point" :key="point.key" :point="point" :view="view" :desk="desk" />
  </div>
</template>
