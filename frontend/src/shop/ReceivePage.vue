<script setup lang="ts">
/** A unit comes in: its type, its tag and serial, what is wrong with it. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { reactive } from "vue";
import { useRouter } from "vue-router";
import { api, newId, unwrap } from "../api/client";
import { useTrouble, writeHeaders } from "../composables/useTrouble";
import WaitPage from "../stages/WaitPage.vue";
import ShopHeader from "./ShopHeader.vue";

const router = useRouter();
const client = useQueryClient();
const { data, error } = useQuery({ queryKey: ["types"], queryFn: () => unwrap(api.GET("/api/unit-types")) });
const { trouble, attempt } = useTrouble();
const draft = reactive({
  revision: "",
  tag: "",
  name: "",
  serial: "",
  complaint: "",
  length_unit: "mm" as "mm" | "thou",
  bench: "",
  waits_for: "",
});
const fields: [Exclude<keyof typeof draft, "revision" | "length_unit">, string, boolean][] = [
  ["tag", "Tag", true],
  ["serial", "Serial on the plate", true],
  ["name", "What it is called", true],
  ["complaint", "Complaint, in the customer's words", false],
  ["bench", "Where it stands", false],
  ["waits_for", "Waits for (empty: hands)", false],
];
const id = newId();
async function receive() {
  await attempt(async () => {
    const job = await unwrap(
      api.POST("/api/jobs", { params: { header: writeHeaders() }, body: { id, ...draft } }),
    );
    await client.invalidateQueries({ queryKey: ["board"] });
    await router.push(`/jobs/${job.id}`);
  });
}
</script>

<template>
  <ShopHeader title="Receive" sub="in the field: lock out and tag out first" />
  <WaitPage v-if="!data" :problem="error" />
  <main v-else class="px-5 py-5">
    <p v-if="!data.length" class="say">
      No unit type is known here yet. Take a job in from an exchange file, or seed the demo yard.
    </p>
    <form
      v-else
      class="grid max-w-[1000px] gap-x-6 gap-y-4 md:grid-cols-2"
      data-receive
      @submit.prevent="receive"
    >
      <label class="md:col-span-2"
        >Type of unit
        <select v-model="draft.revision" class="field" name="revision" required>
          <option value="" disabled>Choose</option>
          <option v-for="t in data" :key="t.id" :value="t.id">
            {{ t.name }}: {{ t.settings.join(", ") }}
          </option>
        </select>
      </label>
      <label v-for="[key, words, required] in fields" :key="key"
        >{{ words
        }}<input v-model="draft[key]" class="field" :name="key" :required="required" autocomplete="off"
      /></label>
      <label
        >Lengths in<select v-model="draft.length_unit" class="field" name="length_unit">
          <option value="mm">mm</option>
          <option value="thou">thou</option>
        </select></label
      >
      <p v-if="trouble" role="alert" class="font-bold text-danger md:col-span-2">{{ trouble }}</p>
      <button type="submit" class="control control-main md:col-span-2 md:justify-self-start">
        Open the job
      </button>
    </form>
  </main>
</template>
