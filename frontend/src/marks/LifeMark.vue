<script setup lang="ts">
/** A quantity down the years: left open, found filled, worn between; where its limit will be met. */
import { computed, ref } from "vue";
import type { Scene } from "../api/client";
import { makeScale } from "../composables/useScale";
import { useWidth } from "../composables/useWidth";

const props = defineProps<{ scene: Extract<Scene, { type: "life" }> }>();
const box = ref<HTMLElement | null>(null);
const width = useWidth(box);
const narrow = computed(() => width.value < 560);
const gutter = computed(() => (narrow.value ? 12 : 120));
const RULE: [number, number] = [44, 80];
const TOP = 136;
const tall = computed(() => Math.max(90, 58 * (props.scene.visits.length + (props.scene.fan ? 1 : 0) - 1)));
const height = computed(() => TOP + tall.value + (props.scene.fan ? 56 : 34));
const x = computed(() => makeScale(props.scene.lo, props.scene.hi, gutter.value + 12, width.value - 20));
const y = (at: number) => TOP + at * tall.value;
const last = computed(() => props.scene.visits.at(-1));
const from = computed(() => last.value?.left ?? last.value?.found);
const stretches = computed(() =>
  props.scene.visits.flatMap((v, i) => {
    const before = props.scene.visits[i - 1];
    const start = before?.left ?? before?.found;
    if (!before || !start || !v.found) return [];
    return [
      { key: i, x1: x.value(start.at), y1: y(before.at), x2: x.value(v.found.at), y2: y(v.at), rate: v.rate },
    ];
  }),
);
const right = (at: number) => x.value(at) > width.value - 150;
const spoken = computed(() => {
  const fan = props.scene.fan ? `; limit met about ${props.scene.fan.label}, ${props.scene.fan.words}` : "";
  const said = props.scene.visits.map(
    (v) =>
      `${v.label}: ${v.found ? `found ${v.found.label}` : ""}${v.left ? ` left ${v.left.label}` : ""}${v.rate ? `, ${v.rate}` : ""}`,
  );
  return `${props.scene.label}, ${props.scene.unit}. ${said.join("; ")}${fan}`;
});
</script>

<template>
  <div ref="box" class="w-full" data-mark="life">
    <svg :width="width" :height="height" role="img" :aria-label="spoken" class="block overflow-visible">
      <g v-if="scene.window">
        <rect
          :x="x(scene.window.lo)"
          :y="RULE[0]"
          :width="x(scene.window.hi) - x(scene.window.lo)"
          :height="height - RULE[0]"
          fill="var(--wanted-tint)"
        />
      </g>
      <rect
        :x="x(scene.lo)"
        :y="RULE[0]"
        :width="x(scene.hi) - x(scene.lo)"
        :height="RULE[1] - RULE[0]"
        fill="var(--neutral)"
      />
      <g v-if="scene.window">
        <rect
          :x="x(scene.window.lo)"
          :y="RULE[0]"
          :width="x(scene.window.hi) - x(scene.window.lo)"
          :height="RULE[1] - RULE[0]"
          fill="var(--wanted)"
        />
        <g stroke="var(--wanted-post)" stroke-width="2.5">
          <line
            v-if="!scene.window.open_lo"
            :x1="x(scene.window.lo)"
            :x2="x(scene.window.lo)"
            :y1="28"
            :y2="height"
          />
          <line
            v-if="!scene.window.open_hi"
            :x1="x(scene.window.hi)"
            :x2="x(scene.window.hi)"
            :y1="28"
            :y2="height"
          />
        </g>
        <text
          :x="(x(scene.window.lo) + x(scene.window.hi)) / 2"
          y="18"
          text-anchor="middle"
          font-size="16"
          font-weight="650"
          fill="var(--words)"
        >
          left {{ scene.window.label }}
        </text>
      </g>
      <g stroke="var(--found)">
        <line :x1="x(scene.lo)" :x2="x(scene.hi)" :y1="RULE[1]" :y2="RULE[1]" stroke-width="2" />
        <line
          v-for="t in scene.ticks"
          :key="t.at"
          :x1="x(t.at)"
          :x2="x(t.at)"
          :y1="RULE[1] - (t.label ? 15 : 7)"
          :y2="RULE[1]"
          stroke-width="1.5"
          :stroke="
            scene.window && t.at >= scene.window.lo && t.at <= scene.window.hi
              ? 'var(--scribe)'
              : 'var(--found)'
          "
        />
      </g>
      <g font-size="15" font-weight="560" text-anchor="middle" fill="var(--words)">
        <text v-for="t in scene.ticks.filter((k) => k.label)" :key="t.at" :x="x(t.at)" :y="RULE[1] + 19">
          {{ t.label }}
        </text>
      </g>
      <g v-if="scene.limit">
        <line
          :x1="x(scene.limit.at)"
          :x2="x(scene.limit.at)"
          y1="28"
          :y2="height"
          stroke="var(--wanted-post)"
          stroke-width="2.5"
          stroke-dasharray="6 5"
        />
        <text
          :x="x(scene.limit.at)"
          :y="scene.window && Math.abs(x(scene.limit.at) - x(scene.window.hi)) < 90 ? 0 : 18"
          :text-anchor="right(scene.limit.at) ? 'end' : 'middle'"
          font-size="16"
          fill="var(--secondary)"
        >
          in service at most
          <tspan font-weight="650" fill="var(--words)">{{ scene.limit.label }}</tspan>
        </text>
      </g>
      <g font-size="15" fill="var(--secondary)">
        <circle
          :cx="gutter + 20"
          :cy="TOP - 28"
          r="6"
          fill="var(--surface)"
          stroke="var(--found)"
          stroke-width="2.5"
        />
        <text :x="gutter + 32" :y="TOP - 23">as left</text>
        <circle :cx="gutter + 98" :cy="TOP - 28" r="7" fill="var(--found)" />
        <text :x="gutter + 110" :y="TOP - 23">as found</text>
        <text v-if="scene.earlier" :x="gutter + 190" :y="TOP - 23">{{ scene.earlier }}</text>
      </g>
      <g stroke="var(--found)">
        <line
          v-for="v in scene.visits"
          :key="`line-${v.at}`"
          :x1="0"
          :x2="width"
          :y1="y(v.at)"
          :y2="y(v.at)"
          stroke="var(--row)"
          stroke-width="1.5"
        />
        <line
          v-for="s in stretches"
          :key="s.key"
          :x1="s.x1"
          :y1="s.y1"
          :x2="s.x2"
          :y2="s.y2"
          stroke-width="2.5"
        />
      </g>
      <g
        font-size="16"
        fill="var(--words)"
        font-weight="620"
        paint-order="stroke"
        stroke="var(--casing, var(--surface))"
        stroke-width="6"
        stroke-linejoin="round"
      >
        <text
          v-for="s in stretches"
          :key="s.key"
          :x="(s.x1 + s.x2) / 2 + 10"
          :y="(s.y1 + s.y2) / 2 + 5"
          :text-anchor="(s.x1 + s.x2) / 2 > width - 170 ? 'end' : 'start'"
        >
          {{ s.rate }}
        </text>
        <template v-for="v in scene.visits" :key="`words-${v.at}`">
          <text x="0" :y="y(v.at) - 6" font-size="18" font-weight="660">{{ v.label }}</text>
          <text x="0" :y="y(v.at) + 18" font-size="15" fill="var(--secondary)" font-weight="540">
            {{ v.words }}
          </text>
        </template>
      </g>
      <g v-for="v in scene.visits" :key="`disc-${v.at}`">
        <path
          v-if="v.found && v.left && Math.abs(x(v.found.at) - x(v.left.at)) > 24"
          :d="`M${x(v.found.at) + (v.found.at > v.left.at ? -10 : 10)} ${y(v.at)}H${x(v.left.at) + (v.found.at > v.left.at ? 12 : -12)}`"
          stroke="var(--found)"
          stroke-width="2.5"
        />
        <path
          v-if="v.found && v.left && Math.abs(x(v.found.at) - x(v.left.at)) > 24"
          :d="`M${x(v.left.at) + (v.found.at > v.left.at ? 10 : -10)} ${y(v.at)}l${v.found.at > v.left.at ? 14 : -14} -7v14z`"
          fill="var(--found)"
        />
        <template v-if="v.found">
          <circle
            :cx="x(v.found.at)"
            :cy="y(v.at)"
            r="8"
            fill="var(--found)"
            stroke="var(--casing, var(--surface))"
            stroke-width="3"
          />
          <text
            :x="x(v.found.at) + (right(v.found.at) ? -14 : 14)"
            :y="y(v.at) + 6"
            :text-anchor="right(v.found.at) ? 'end' : 'start'"
            font-size="18"
            font-weight="680"
            fill="var(--words)"
            paint-order="stroke"
            stroke="var(--casing, var(--surface))"
            stroke-width="6"
          >
            {{ v.found.label }}
          </text>
        </template>
        <circle
          v-if="v.left"
          :cx="x(v.left.at)"
          :cy="y(v.at)"
          r="7"
          fill="var(--surface)"
          stroke="var(--found)"
          stroke-width="2.5"
        />
      </g>
      <g v-if="scene.fan && from && scene.limit">
        <path
          :d="`M${x(from.at)} ${y(last!.at)}L${x(scene.limit.at)} ${y(scene.fan.early)}M${x(from.at)} ${y(last!.at)}L${x(scene.limit.at)} ${y(scene.fan.late)}`"
          fill="none"
          stroke="var(--found)"
          stroke-width="2"
          stroke-dasharray="6 5"
        />
        <rect
          :x="x(scene.limit.at) - 8"
          :y="y(scene.fan.early)"
          width="16"
          :height="Math.max(8, y(scene.fan.late) - y(scene.fan.early))"
          fill="var(--move)"
          stroke="var(--move-edge)"
          stroke-width="2"
        />
        <line
          :x1="x(scene.limit.at) - 15"
          :x2="x(scene.limit.at) + 15"
          :y1="y(scene.fan.likely)"
          :y2="y(scene.fan.likely)"
          stroke="var(--move-edge)"
          stroke-width="3"
        />
        <g
          :text-anchor="right(scene.limit.at) ? 'end' : 'start'"
          paint-order="stroke"
          stroke="var(--casing, var(--surface))"
          stroke-width="6"
        >
          <text
            :x="x(scene.limit.at) + (right(scene.limit.at) ? -22 : 22)"
            :y="y(scene.fan.likely) + 4"
            font-size="22"
            font-weight="700"
            fill="var(--words)"
          >
            {{ scene.fan.label }}
          </text>
          <text
            :x="x(scene.limit.at) + (right(scene.limit.at) ? -22 : 22)"
            :y="y(scene.fan.likely) + 24"
            font-size="15"
            fill="var(--secondary)"
          >
            {{ scene.fan.words }}
          </text>
        </g>
      </g>
    </svg>
  </div>
</template>
