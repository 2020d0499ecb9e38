<script setup lang="ts">
/** What was only on the bench gets its name; what is signed stays as signed, its type remembers it from then on. */
import { useQuery } from "@tanstack/vue-query";
import { computed, reactive } from "vue";
import { api, unwrap, type JobView } from "../../api/client";
import PickBox from "../../ui/PickBox.vue";
import type { JobDesk } from "./useJob";

const props = defineProps<{ desk: JobDesk; job: JobView }>();
const types = useQuery({ queryKey: ["types"], queryFn: () => unwrap(api.GET("/api/unit-types")) });
const draft = reactive({ tag: "", name: props.job.unit_name, serial: "", revision: "", setting: "" });
const choices = computed<[string, string][]>(() => [
  ["", "none of the yard's"],
  ...(types.data.value ?? [])
    .filter((t) => !t.type_id.startsWith("own-"))
    .map((t) => [t.id, t.name] as [string, string]),
]);
const here = computed(
  () => (props.job.definition as { settings?: { kind: string }[] }).settings?.[0]?.kind ?? "",
);
const points = computed<[string, string][]>(() => [
  ["", "none of them"],
  ...(types.data.value?.find((t) => t.id === draft.revision)?.points ?? [])
    .filter((p) => p.kind === here.value)
    .map((p) => [p.key, p.label] as [string, string]),
]);
</script>

<template>
  <form
    class="mt-4 flex flex-col gap-3 border-2 border-dashed p-4"
    data-name-it
    @submit.prevent="desk.nameIt({ ...draft })"
  >
    <h2 class="text-[20px] font-bold">Name it</h2>
    <p>It was begun on the bench without a unit. What is signed stays as it is signed.</p>
    <div class="grid gap-3 sm:grid-cols-2">
      <label
        >Tag<input v-model="draft.tag" class="field" name="tag" maxlength="12" required autocomplete="off"
      /></label>
      <label
        >Serial on the plate<input
          v-model="draft.serial"
          class="field"
          name="serial"
          maxlength="60"
          required
          autocomplete="off"
      /></label>
      <label
        >What it is called<input v-model="draft.name" class="field" name="unit-name" maxlength="80" required
      /></label>
      <PickBox v-model="draft.revision" name="revision" label="Its type" :options="choices" />
      <PickBox
        v-if="draft.revision"
        v-model="draft.setting"
        name="setting"
        label="Which setting of the type it was"
        :options="points"
      />
    </div>
    <button type="submit" class="control control-main self-start">Name it</button>
  </form>
</template>
