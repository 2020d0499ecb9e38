<script setup lang="ts">
/** Run-in: its stages, the stop rule, what is read and heard, what it comes to. */
import { computed } from "vue";
import type { ProveView } from "../../api/client";
import { useYard } from "../../composables/useYard";
import ReadoutMark from "../../marks/ReadoutMark.vue";
import SceneMark from "../../marks/SceneMark.vue";
import VerdictTag from "../../marks/VerdictTag.vue";
import PointsLeaf from "./PointsLeaf.vue";
import RunBegin from "./RunBegin.vue";
import RunNow from "./RunNow.vue";
import type { ProveDesk } from "./useProve";

const props = defineProps<{ view: ProveView; desk: ProveDesk }>();
const { moment } = useYard();
const running = computed(() => props.view.running.runs.find((r) => r.id === props.view.running.running));
const past = computed(() => [...props.view.running.runs].filter((r) => r.state !== "running").reverse());
const own = computed(() =>
  (props.view.groups.find((g) => g.key === "run")?.points ?? []).some((p) => p.key.startsWith("own:")),
);
</script>

<template>
  <p class="border-b-2 px-5 py-2 text-[18px] font-bold" data-stop-rule>
    <span
      class="mr-2 inline-flex h-7 w-7 items-center justify-center bg-danger text-[20px] text-on-danger"
      aria-hidden="true"
      >!</span
    >{{ view.running.stop_rule }}
    <span class="font-medium">{{ view.running.cool }}</span>
  </p>
  <RunNow v-if="running" :key="running.id" :run="running" :view="view" :desk="desk" />
  <RunBegin
    v-else-if="!view.job.closed && !view.release.how"
    :key="view.running.next"
    :view="view"
    :desk="desk"
  />
  <section
    v-for="r in past"
    :key="r.id"
    class="grid gap-x-8 gap-y-3 border-t-2 px-5 py-3 lg:grid-cols-[1fr_420px]"
    :aria-label="r.label"
    data-run-past
  >
    <div class="min-w-0">
      <h2 class="zone-head">
        {{ r.label }}: {{ r.state === "done" ? "run to its end" : "stopped" }}
        <span class="font-medium text-secondary">{{ moment(r.at) }}, {{ r.by }}</span>
      </h2>
      <p v-if="r.ended" class="font-semibold">{{ r.ended }}</p>
      <ReadoutMark :scene="r.strip" compact />
      <SceneMark v-if="r.log.rows.length" :scene="r.log" />
    </div>
    <ul>
      <li v-for="b in r.rows.filter((x) => x.last)" :key="b.part" class="border-b-2 border-row py-2">
        <strong>{{ b.label }}</strong>: {{ b.last }}
        <VerdictTag :code="b.code" :words="b.code === 'in' ? 'levels' : 'see'" small />
        <p class="text-[15px]">{{ b.words }} {{ b.beside }}</p>
      </li>
      <li v-for="h in r.heard" :key="h" class="border-b-2 border-row py-2">{{ h }}</li>
    </ul>
  </section>
  <div v-if="own" class="border-t-2">
    <PointsLeaf :view="view" leaf="run" :desk="desk" none="" />
  </div>
</template>
