<script setup lang="ts">
/** Five hours bent to a dial, one degree a minute: what can be taken and when, who has crane and press. */
import { computed } from "vue";
import type { TodayView } from "../api/client";

const props = defineProps<{ day: TodayView }>();
const C = 240;
const HOURS = 5;
const MOST_RINGS = 3;
const minuteOf = (stamp: string) => Date.parse(`${stamp}Z`) / 60000;
const start = computed(() => Math.floor(minuteOf(props.day.now) / 60) * 60);
const now = computed(() => minuteOf(props.day.now) - start.value);
const rad = (minute: number) => ((210 + minute) * Math.PI) / 180;
const spot = (minute: number, r: number) =>
  [C + r * Math.sin(rad(minute)), C - r * Math.cos(rad(minute))] as const;
const clip = (m: number) => Math.min(HOURS * 60, Math.max(0, m));
function arc(from: number, to: number, inner: number, outer: number): string {
  const [a, b] = [clip(from), clip(to)];
  const big = b - a > 180 ? 1 : 0;
  const at = (m: number, r: number) => spot(m, r).join(" ");
  return `M${at(a, outer)}A${outer} ${outer} 0 ${big} 1 ${at(b, outer)}L${at(b, inner)}A${inner} ${inner} 0 ${big} 0 ${at(a, inner)}Z`;
}
const hours = computed(() =>
  Array.from({ length: HOURS + 1 }, (_, n) => {
    const at = start.value + n * 60;
    const [x, y] = spot(n * 60, 157);
    return { x, y, words: String((at / 60) % 24) };
  }),
);
const names = computed(() => [...new Set(props.day.rings.map((r) => r.resource))].slice(0, MOST_RINGS));
const band = (name: string) => {
  const n = names.value.indexOf(name);
  return { inner: 98 - n * 42, outer: 132 - n * 42 };
};
const rings = computed(() =>
  props.day.rings
    .filter((r) => names.value.includes(r.resource))
    .map((r) => {
      const [from, to] = [minuteOf(r.begins) - start.value, minuteOf(r.ends) - start.value];
      const { inner, outer } = band(r.resource);
      const [x, y] = spot((clip(from) + clip(to)) / 2, (inner + outer) / 2);
      return { ...r, d: arc(from, to, inner, outer), x, y, long: clip(to) - clip(from) >= 34 };
    })
    .filter((r) => !r.d.includes("NaN")),
);
interface CallRow {
  at: number;
  tags: string[];
  time: string;
}
/** What is ready within the face; closer than twelve minutes share one flag. */
const calls = computed(() => {
  const found: CallRow[] = [];
  for (const row of props.day.by_itself) {
    const stamp = row.ready ?? "";
    const at = stamp ? minuteOf(stamp) - start.value : -1;
    if (!["runs", "ready"].includes(row.state) || at < 0 || at > HOURS * 60) continue;
    const last = found.at(-1);
    if (last && at - last.at < 12) last.tags.push(row.tag);
    else found.push({ at, tags: [row.tag], time: stamp.slice(11, 16) });
  }
  return found.slice(0, 5).map((c) => {
    const [x, y] = spot(c.at, 172);
    const [fx, fy] = spot(c.at, 206);
    return { ...c, x, y, fx, fy, text: [...new Set(c.tags)].join(" ") };
  });
});
const next = computed(() => calls.value.find((c) => c.at > now.value));
const left = computed(() => {
  const m = next.value ? Math.round(next.value.at - now.value) : 0;
  return `${Math.floor(m / 60)}:${String(m % 60).padStart(2, "0")}`;
});
const label = computed(() =>
  next.value ? `Next call in ${left.value}, ${next.value.text}` : "No call in the next hours",
);
</script>

<template>
  <svg viewBox="0 0 480 480" class="w-full max-w-[480px]" role="img" :aria-label="label" data-mark="dial">
    <path :d="arc(0, HOURS * 60, 142, 172)" fill="var(--neutral)" stroke="var(--found)" stroke-width="2" />
    <path :d="arc(0, now, 142, 172)" fill="var(--found)" />
    <path v-for="c in calls" :key="`w${c.at}`" :d="arc(c.at, c.at + 30, 142, 172)" fill="var(--wanted)" />
    <path
      v-for="m in HOURS * 12 + 1"
      :key="m"
      :d="`M${spot((m - 1) * 5, 172).join(' ')}L${spot((m - 1) * 5, m % 12 === 1 ? 160 : 167).join(' ')}`"
      stroke="var(--found)"
      stroke-width="1.5"
    />
    <g v-for="h in hours" :key="h.words">
      <circle :cx="h.x" :cy="h.y" r="14" fill="var(--surface)" />
      <text
        :x="h.x"
        :y="h.y"
        text-anchor="middle"
        dominant-baseline="central"
        font-size="18"
        font-weight="650"
        fill="var(--words)"
      >
        {{ h.words }}
      </text>
    </g>
    <g v-for="name in names" :key="name">
      <path
        :d="arc(0, HOURS * 60, band(name).inner, band(name).outer)"
        fill="var(--surface)"
        stroke="var(--control)"
        stroke-width="1.5"
      />
      <text
        :x="C"
        :y="C + (band(name).inner + band(name).outer) / 2 + 5"
        text-anchor="middle"
        font-size="16"
        font-weight="600"
        fill="var(--words)"
      >
        {{ name }}
      </text>
    </g>
    <g v-for="r in rings" :key="r.resource + r.begins + r.tag" :data-ring="r.resource">
      <path
        :d="r.d"
        :fill="r.now ? 'var(--found)' : 'var(--neutral)'"
        stroke="var(--found)"
        stroke-width="2"
      />
      <text
        v-if="r.long"
        :x="r.x"
        :y="r.y"
        text-anchor="middle"
        dominant-baseline="central"
        font-size="15"
        font-weight="650"
        :fill="r.now ? 'var(--surface)' : 'var(--words)'"
      >
        {{ r.tag }}
      </text>
    </g>
    <path :d="`M${C} ${C}L${spot(now, 176).join(' ')}`" stroke="var(--surface)" stroke-width="7" />
    <path :d="`M${C} ${C}L${spot(now, 176).join(' ')}`" stroke="var(--found)" stroke-width="3.5" />
    <circle :cx="C" :cy="C" r="40" fill="var(--bay)" />
    <text :x="C" :y="C + 2" text-anchor="middle" font-size="30" font-weight="700" fill="var(--words)">
      {{ next ? left : "–" }}
    </text>
    <text :x="C" :y="C + 22" text-anchor="middle" font-size="15" fill="var(--secondary)">
      {{ next ? "to the call" : "no call" }}
    </text>
    <g v-for="c in calls" :key="c.at" data-call>
      <path :d="`M${c.x} ${c.y}L${c.fx} ${c.fy}`" stroke="var(--wanted-post)" stroke-width="2.5" />
      <rect
        :x="Math.min(388, Math.max(4, c.fx - 42))"
        :y="Math.min(430, Math.max(26, c.fy - 16))"
        width="88"
        height="30"
        fill="var(--surface)"
        stroke="var(--found)"
        stroke-width="2"
      />
      <text
        :x="Math.min(388, Math.max(4, c.fx - 42)) + 44"
        :y="Math.min(430, Math.max(26, c.fy - 16)) + 21"
        text-anchor="middle"
        font-size="17"
        font-weight="700"
        fill="var(--words)"
      >
        {{ c.text }}
      </text>
      <text
        :x="Math.min(388, Math.max(4, c.fx - 42)) + 44"
        :y="Math.min(430, Math.max(26, c.fy - 16)) - 6"
        text-anchor="middle"
        font-size="22"
        font-weight="700"
        fill="var(--words)"
      >
        {{ c.time }}
      </text>
    </g>
  </svg>
</template>
