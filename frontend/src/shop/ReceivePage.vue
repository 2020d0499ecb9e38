<script setup lang="ts">
/** A unit comes in: its type or none, its identity, what is wrong with it, how this job is to be judged. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed } from "vue";
import { useRoute, useRouter } from "vue-router";
import { api, newId, unwrap } from "../api/client";
import { useSending } from "../composables/useSending";
import WaitPage from "../stages/WaitPage.vue";
import GaugeTicks from "../ui/GaugeTicks.vue";
import PickBox from "../ui/PickBox.vue";
import SendingProblem from "../ui/SendingProblem.vue";
import SchoolChoice from "../ui/SchoolChoice.vue";
import TickBox from "../ui/TickBox.vue";
import ShopHeader from "../ui/ShopHeader.vue";
import { useKept } from "../composables/useKept";

const router = useRouter();
const client = useQueryClient();
const { data, error } = useQuery({ queryKey: ["types"], queryFn: () => unwrap(api.GET("/api/unit-types")) });
const gauges = useQuery({ queryKey: ["gauges"], queryFn: () => unwrap(api.GET("/api/gauges")) });
const sending = useSending();
const blank = () => ({
  revision: "",
  tag: "",
  name: "",
  serial: "",
  complaint: "",
  known: "",
  bench: "",
  waits_for: "",
  stands: "bench" as "bench" | "field",
  basis: "new parts" as "new parts" | "worn matched parts",
  length_unit: "mm" as "mm" | "thou",
  schools: {} as Record<string, string>,
  gauges: [] as string[],
  serials: {} as Record<string, string>,
  hours: { reading: "", none: false },
});
const draft = useKept("receive", blank()).value;
const asked = useRoute().query["type"];
if (typeof asked === "string") draft.revision = asked;
const types = computed<[string, string][]>(() => [
  ["", "None: begin from nothing"],
  ...(data.value ?? []).map(
    (t) =>
      [t.id, `${t.name}, revision ${t.number}: ${t.settings.join(", ") || "nothing to set"}`] as [
        string,
        string,
      ],
  ),
]);
const type = computed(() => data.value?.find((t) => t.id === draft.revision));
const fields: ["tag" | "serial" | "name" | "complaint" | "known" | "bench" | "waits_for", string, boolean][] =
  [
    ["tag", "Tag", true],
    ["serial", "Serial on the plate", true],
    ["name", "What it is called", true],
    ["complaint", "Complaint, in the customer's words", false],
    ["known", "What is known about it", false],
    ["bench", "Where it stands", false],
    ["waits_for", "Waits for (empty: hands)", false],
  ];
const choices: ["stands" | "basis" | "length_unit", string, [string, string][]][] = [
  [
    "stands",
    "Where it is worked on",
    [
      ["bench", "on the bench"],
      ["field", "in the field: lock out first"],
    ],
  ],
  [
    "basis",
    "Limits for",
    [
      ["new parts", "new parts"],
      ["worn matched parts", "worn matched parts"],
    ],
  ],
  [
    "length_unit",
    "Lengths in",
    [
      ["mm", "mm"],
      ["thou", "thou"],
    ],
  ],
];
const id = newId();
/** Nothing is sent while nothing was said of it: it may be written down later. */
const hours = () => (draft.hours.none || draft.hours.reading ? { ...draft.hours } : {});
const receive = () =>
  sending.send(async (header) => {
    const job = await unwrap(
      api.POST("/api/jobs", { params: { header }, body: { id, ...draft, hours: hours() } }),
    );
    await client.invalidateQueries({ queryKey: ["board"] });
    const typed = draft.revision;
    Object.assign(draft, blank());
    await router.push(`/jobs/${job.id}/${typed ? "strip" : "definition"}`);
  });
</script>

<template>
  <ShopHeader title="Receive" sub="in the field: lock out and tag out first" />
  <WaitPage bare v-if="!data" :problem="error" />
  <main v-else>
    <form class="grid lg:grid-cols-[1fr_540px]" data-receive @submit.prevent="receive">
      <div class="grid content-start gap-x-4 gap-y-2 px-5 py-3 md:grid-cols-3">
        <PickBox
          v-model="draft.revision"
          class="md:col-span-3"
          name="revision"
          label="Type of unit"
          :options="types"
        />
        <label
          v-for="[key, words, required] in fields"
          :key="key"
          :class="['complaint', 'known'].includes(key) ? 'md:col-span-3' : ''"
          >{{ words
          }}<input v-model="draft[key]" class="field" :name="key" :required="required" autocomplete="off"
        /></label>
        <PickBox
          v-for="[key, words, options] in choices"
          :key="key"
          :model-value="draft[key]"
          :name="key"
          :label="words"
          :options="options"
          @update:model-value="(v: string) => Object.assign(draft, { [key]: v })"
        />
        <label v-for="p in type?.serial_parts ?? []" :key="p.key"
          >Serial of the {{ p.label.toLowerCase()
          }}<input v-model="draft.serials[p.key]" class="field" :name="`serial-${p.key}`" autocomplete="off"
        /></label>
        <GaugeTicks v-model="draft.gauges" class="md:col-span-3" :gauges="gauges.data.value ?? []" />
        <label
          >Hour meter, h<input
            v-model="draft.hours.reading"
            class="field"
            name="hours"
            inputmode="decimal"
            :disabled="draft.hours.none"
            placeholder="may be written down later"
        /></label>
        <TickBox
          v-model="draft.hours.none"
          class="self-end md:col-span-2"
          name="no-meter"
          label="No hour meter, or it cannot be read"
        />
        <p v-if="draft.stands === 'field'" class="border-l-4 border-danger pl-3 font-bold md:col-span-3">
          In the field: the strip begins with the lock-out. Isolation is for those who hold the licence.
        </p>
        <button type="submit" class="control control-main justify-self-start">Open the job</button>
      </div>
      <SchoolChoice
        v-model="draft.schools"
        class="border-l-2 px-5 py-4 max-lg:border-l-0 max-lg:border-t-2"
      />
    </form>
    <SendingProblem :sending="sending" />
  </main>
</template>
