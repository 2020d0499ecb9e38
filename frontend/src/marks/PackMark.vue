<script setup lang="ts">
/** A shim pack as stacked plates to scale; two side by side for a swap, what moves pushed out in yellow. */
import { computed, ref } from "vue";
import type { Pack, Plate } from "../api/client";
import { useWidth } from "../composables/useWidth";

const props = defineProps<{ scene: Pack; height?: number }>();
const box = ref<HTMLElement | null>(null);
const width = useWidth(box, 372);
const room = computed(() => (props.height ?? 330) - 80);
const thick = (plates: Plate[]) => plates.reduce((sum, p) => sum + p.thickness, 0);
const scale = computed(() => {
  const most = Math.max(thick(props.scene.now), thick(props.scene.after), 0.2);
  const plates = Math.max(props.scene.now.length, props.scene.after.length);
  return Math.min(300, (room.value - plates * 4) / most);
});
const W = computed(() => Math.min(112, width.value * 0.28));
const floor = computed(() => room.value + 52);
function stack(plates: Plate[], left: number, away: number) {
  let y = floor.value;
  return plates.map((plate, i) => {
    const high = Math.max(plate.thickness * scale.value, 8);
    y -= high;
    const moved = plate.state !== "kept";
    return {
      plate,
      key: `${i}-${plate.label}`,
      y,
      high,
      x: left + (moved ? away : 0),
      moved,
      outside: high < 19,
    };
  });
}
const single = computed(() => props.scene.after.length === 0);
const leftX = computed(() => (single.value ? (width.value - W.value) / 2 : width.value * 0.13));
const rightX = computed(() => width.value * 0.87 - W.value);
const now = computed(() => stack(props.scene.now, leftX.value, -36));
const after = computed(() => (single.value ? [] : stack(props.scene.after, rightX.value, 36)));
const topOf = (rows: { y: number }[]) => rows.reduce((top, r) => Math.min(top, r.y), floor.value);
const size = (high: number) => (high > 90 ? 28 : high > 44 ? 24 : high > 26 ? 21 : 18);
/** A thin plate's label stands beside it; where both stacks would say it at one height, once is enough. */
type Row = ReturnType<typeof stack>[number];
const saidAlready = (r: Row) =>
  r.outside &&
  r.x > width.value / 2 &&
  !r.moved &&
  now.value.some((l) => l.outside && l.plate.label === r.plate.label && Math.abs(l.y - r.y) < 22);
function labelAt(r: Row) {
  if (!r.outside)
    return { x: r.x + W.value / 2, y: r.y + r.high / 2 + size(r.high) * 0.34, anchor: "middle" };
  const right = r.x > width.value / 2;
  if (right && r.moved) return { x: r.x + W.value, y: r.y - 5, anchor: "end" };
  return { x: right ? r.x - 8 : r.x + W.value + 8, y: r.y + r.high / 2 + 6, anchor: right ? "end" : "start" };
}
const links = computed(() => {
  const left = now.value.filter((r) => !r.moved);
  const right = after.value.filter((r) => !r.moved);
  return left.flatMap((l, i) => {
    const r = right[i];
    if (!r || r.plate.label !== l.plate.label) return [];
    const a = leftX.value + W.value;
    const b = rightX.value;
    return [`M${a} ${l.y} L${b} ${r.y} V${r.y + r.high} L${a} ${l.y + l.high} Z`];
  });
});
const covers = computed(() => {
  if (!props.scene.under_cover) return [];
  const tops = [{ x: leftX.value, y: topOf(now.value) }];
  if (!single.value) tops.push({ x: rightX.value, y: topOf(after.value) });
  return tops;
});
const spoken = computed(() => {
  const list = (plates: Plate[]) =>
    plates.map((p) => (p.state === "kept" ? p.label : `${p.label} ${p.state}`)).join(", ");
  return `${props.scene.title}: now ${list(props.scene.now)}${single.value ? "" : `; after ${list(props.scene.after)}`}`;
});
</script>

<template>
  <div ref="box" class="w-full" data-mark="pack">
    <svg :width="width" :height="floor + 30" role="img" :aria-label="spoken" class="block overflow-visible">
      <defs>
        <pattern id="hatch" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="9" height="9" fill="var(--cut)" />
          <line x1="0" x2="0" y1="0" y2="9" stroke="var(--control)" stroke-width="1.5" />
        </pattern>
      </defs>
      <path v-for="d in links" :key="d" :d="d" fill="var(--cut)" />
      <rect x="0" :y="floor" :width="width" height="20" fill="url(#hatch)" />
      <line x1="0" :x2="width" :y1="floor" :y2="floor" stroke="var(--found)" stroke-width="3" />
      <g v-for="c in covers" :key="c.x">
        <rect :x="c.x - 10" :y="c.y - 20" :width="W + 20" height="18" fill="url(#hatch)" />
        <line
          :x1="c.x - 10"
          :x2="c.x + W + 10"
          :y1="c.y - 1.5"
          :y2="c.y - 1.5"
          stroke="var(--found)"
          stroke-width="3"
        />
      </g>
      <g v-for="r in [...now, ...after]" :key="`${r.key}-${r.x}`" class="plate-moves">
        <rect
          :x="r.x"
          :y="r.y"
          :width="W"
          :height="r.high - 1"
          :fill="r.moved ? 'var(--move)' : 'var(--neutral)'"
          :stroke="r.moved ? 'var(--move-edge)' : 'var(--found)'"
          stroke-width="2"
        />
        <text
          v-if="!saidAlready(r)"
          :x="labelAt(r).x"
          :y="labelAt(r).y"
          :text-anchor="labelAt(r).anchor"
          :font-size="r.outside ? 17 : size(r.high)"
          font-weight="700"
          :fill="r.moved && !r.outside ? 'var(--move-edge)' : 'var(--words)'"
        >
          {{ r.plate.label }}
        </text>
      </g>
      <g font-size="16" font-weight="680" fill="var(--words)">
        <text v-for="r in now.filter((k) => k.moved)" :key="r.key" x="0" :y="r.y + r.high + 16">out</text>
        <text
          v-for="r in after.filter((k) => k.moved)"
          :key="r.key"
          :x="width"
          :y="r.y + r.high + 16"
          text-anchor="end"
        >
          new
        </text>
      </g>
      <g fill="var(--words)" font-size="21" font-weight="700">
        <text :x="leftX + W / 2" :y="topOf(now) - 28" text-anchor="middle">
          {{ scene.now_label }}
          <tspan font-size="15" font-weight="560" fill="var(--secondary)">now</tspan>
        </text>
        <template v-if="!single">
          <text :x="rightX + W / 2" :y="topOf(after) - 28" text-anchor="middle">
            {{ scene.after_label }}
            <tspan font-size="15" font-weight="560" fill="var(--secondary)">after</tspan>
          </text>
          <text
            :x="width / 2"
            :y="Math.min(topOf(now), topOf(after)) - 28"
            text-anchor="middle"
            font-size="19"
          >
            {{ scene.change_label }}
          </text>
        </template>
      </g>
    </svg>
  </div>
</template>
