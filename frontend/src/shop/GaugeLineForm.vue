<script setup lang="ts">
/** How a gauge that talks is reached, and what its lines say; what comes is shown at once. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, reactive } from "vue";
import { api, unwrap, type GaugeCard } from "../api/client";
import { useSending } from "../composables/useSending";
import PickBox from "../ui/PickBox.vue";
import { keepAnswer } from "../composables/keepAnswer";

const props = defineProps<{ gauge: GaugeCard }>();
defineEmits<{ close: [] }>();
const { data: choices } = useQuery({
  queryKey: ["line-choices"],
  queryFn: () => unwrap(api.GET("/api/gauges/line-choices")),
  staleTime: Infinity,
});
const ways = computed(() => (choices.value?.ways ?? []) as [string, string][]);
const same = (all: (string | number)[] | undefined) =>
  (all ?? []).map((x) => [String(x), String(x)] as [string, string]);
const client = useQueryClient();
const { line } = props.gauge;
const draft = reactive({
  port: line?.port ?? "",
  pattern: line?.pattern ?? "{value} {unit}",
  way: line?.way ?? "stream",
  ask: line?.ask ?? "",
  pedal: line?.pedal ?? "",
  baud: String(line?.baud ?? 9600),
  frame: line?.frame ?? "8N1",
});
const { trouble, send } = useSending();
const path = { gauge_id: props.gauge.id };
const talks = computed(() => props.gauge.line !== null);
/** The line is tried for as long as this stands open. */
const heard = useQuery({
  queryKey: ["heard", props.gauge.id],
  queryFn: () => unwrap(api.GET("/api/gauges/{gauge_id}/heard", { params: { path } })),
  enabled: talks,
  refetchInterval: 700,
  retry: false,
});
const write = (silent: boolean) =>
  send(async (header) => {
    const body = { ...draft, way: draft.way as "stream", baud: Number(draft.baud), talks: !silent };
    const answer = await unwrap(api.POST("/api/gauges/{gauge_id}/line", { params: { path, header }, body }));
    await keepAnswer(client, ["gauges"], answer);
    await heard.refetch();
  });
</script>

<template>
  <form class="flex flex-col gap-3 lg:border-l-2 lg:pl-6" data-line-form @submit.prevent="write(false)">
    <h2 class="zone-head">{{ gauge.name }}: its line</h2>
    <div v-if="talks && heard.data.value" class="border-2 px-3 py-2" role="status" data-heard>
      <p class="text-[28px] leading-tight font-bold tabular-nums">{{ heard.data.value.shown || "–" }}</p>
      <p class="text-[15px] wrap-anywhere">
        {{ heard.data.value.words || `It sends: ${heard.data.value.raw}` }}
      </p>
    </div>
    <label
      >Port<input
        v-model="draft.port"
        class="field"
        name="port"
        required
        autocomplete="off"
        placeholder="/dev/ttyUSB0, COM3, socket://host:port"
    /></label>
    <label
      >Its line, with {value}, {unit} and {any} where they stand<input
        v-model="draft.pattern"
        class="field"
        name="pattern"
        required
        autocomplete="off"
    /></label>
    <PickBox v-model="draft.way" name="way" label="It" :options="ways" />
    <label v-if="draft.way === 'ask'"
      >What asks it<input v-model="draft.ask" class="field" name="ask" autocomplete="off"
    /></label>
    <label v-if="draft.way !== 'pedal'"
      >The line of its pedal, if it has one<input
        v-model="draft.pedal"
        class="field"
        name="pedal"
        autocomplete="off"
    /></label>
    <div v-if="!draft.port.startsWith('socket://')" class="grid grid-cols-2 gap-3">
      <PickBox v-model="draft.baud" name="baud" label="Baud" :options="same(choices?.bauds)" />
      <PickBox v-model="draft.frame" name="frame" label="Frame" :options="same(choices?.frames)" />
    </div>
    <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
    <button type="submit" class="control control-main">Write the line</button>
    <div class="flex gap-3">
      <button type="button" class="control flex-1" @click="$emit('close')">Close</button>
      <button v-if="talks" type="button" class="control flex-1" @click="write(true)">It talks no more</button>
    </div>
  </form>
</template>
