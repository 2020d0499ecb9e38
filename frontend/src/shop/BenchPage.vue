<script setup lang="ts">
/** Something on the bench: what it is called, what is to be set, what is given; then the readings. No unit is asked. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, nextTick, ref, watch } from "vue";
import { useRouter } from "vue-router";
import { api, newId, unwrap } from "../api/client";
import { givenFrom, useForm, type FormDraft } from "../composables/useForm";
import { useKept } from "../composables/useKept";
import { useKeys } from "../composables/useKeys";
import { useSending } from "../composables/useSending";
import SectionMark from "../marks/SectionMark.vue";
import WaitPage from "../stages/WaitPage.vue";
import FromTable from "../ui/FromTable.vue";
import FormFields from "../ui/FormFields.vue";
import PickBox from "../ui/PickBox.vue";
import SendingProblem from "../ui/SendingProblem.vue";
import ShopHeader from "../ui/ShopHeader.vue";

const router = useRouter();
const client = useQueryClient();
const kinds = useQuery({
  queryKey: ["bench-kinds"],
  queryFn: () => unwrap(api.GET("/api/jobs/bench-kinds")),
});
const drawer = useQuery({ queryKey: ["drawer"], queryFn: () => unwrap(api.GET("/api/drawer")) });
const draft = useKept("bench", { name: "", kind: "", unit: "mm", form: "" }).value;
const answers = useKept<FormDraft>("bench.answers", {});
const kind = computed(() => kinds.data.value?.find((k) => k.id === draft.kind));
const { fields, problems } = useForm(() => ({ kind: draft.kind, unit: draft.unit }), answers);
/** What must be said first; what has its own answer already may be looked at. */
const asked = computed(() => fields.value.filter((f) => f.open));
const rest = computed(() => fields.value.filter((f) => !asked.value.includes(f)));
const forms = computed<[string, string][]>(() => [
  ["", "no shims from the drawer"],
  ...[...new Set((drawer.data.value ?? []).map((l) => l.form))].map((f) => [f, f] as [string, string]),
]);
const sending = useSending();
const wrong = computed(() => {
  const refused = sending.problem.value?.details as { fields?: Record<string, string> } | undefined;
  return { ...problems.value, ...refused?.fields };
});
const form = ref<HTMLFormElement | null>(null);
function choose(id: string) {
  draft.kind = id;
  answers.value = {};
}
/** A kind that was tapped, or taken with Enter, is filled in at once; arrows only walk through them. */
const onward = ref(false);
function toFirst() {
  onward.value = false;
  form.value?.querySelector<HTMLInputElement>("[data-form-fields] input")?.focus();
}
watch(asked, () => void nextTick(() => onward.value && toFirst()));
useKeys((event) => {
  if (event.key === "b" || event.key === "Escape") void router.push("/");
  return event.key === "b" || event.key === "Escape";
});
async function begin() {
  const id = newId().slice(0, 12);
  const body = {
    id,
    name: draft.name,
    kind: draft.kind,
    given: givenFrom(fields.value, answers.value),
    length_unit: draft.unit as "mm" | "thou",
    shim_form: draft.form,
  };
  await sending.send(async (header) => {
    const job = await unwrap(api.POST("/api/jobs/bench", { params: { header }, body }));
    await client.invalidateQueries({ queryKey: ["board"] });
    Object.assign(draft, { name: "", kind: "", form: "" });
    answers.value = {};
    await router.push(`/jobs/${job.id}/set/${job.id}.setting`);
  });
}
</script>

<template>
  <ShopHeader title="Something on the bench" sub="one setting, no unit: it can be named later" />
  <WaitPage v-if="!kinds.data.value" bare :problem="kinds.error.value" />
  <main v-else>
    <form
      ref="form"
      class="grid gap-x-8 px-5 py-4 lg:grid-cols-[1fr_420px]"
      data-bench
      @submit.prevent="begin"
    >
      <section>
        <label class="mb-3 flex max-w-[560px] items-center gap-4 text-[20px] font-bold"
          ><span class="shrink-0">It is called</span
          ><input
            v-model="draft.name"
            class="field"
            name="name"
            maxlength="80"
            required
            autofocus
            autocomplete="off"
        /></label>
        <fieldset>
          <legend class="mb-2 text-[20px] font-bold">What is to be set?</legend>
          <div class="grid gap-2 sm:grid-cols-2 xl:grid-cols-3">
            <label
              v-for="k in kinds.data.value"
              :key="k.id"
              class="flex min-h-[92px] cursor-pointer items-center gap-2 border-2 px-2 py-1 focus-within:outline-3 focus-within:outline-offset-2"
              :class="draft.kind === k.id ? 'border-found bg-here text-on-here' : 'border-control'"
              :data-kind="k.id"
              @pointerup="onward = true"
            >
              <input
                type="radio"
                name="kind"
                class="sr-only"
                :value="k.id"
                :checked="draft.kind === k.id"
                @change="choose(k.id)"
                @keydown.enter.prevent="toFirst"
              />
              <span
                v-if="k.thing"
                class="w-[104px] shrink-0 bg-bay"
                style="--casing: var(--bay)"
                aria-hidden="true"
              >
                <SectionMark :scene="{ ...k.thing, labels: [] }" />
              </span>
              <span class="text-[16px] leading-tight font-semibold">{{ k.plain }}</span>
            </label>
          </div>
        </fieldset>
      </section>
      <section class="max-lg:mt-5 lg:border-l-2 lg:pl-6">
        <template v-if="kind">
          <h2 class="text-[20px] leading-tight font-bold">{{ kind.title }}</h2>
          <div class="my-3 grid grid-cols-2 gap-3">
            <PickBox
              v-model="draft.unit"
              name="unit"
              label="Lengths in"
              :options="[
                ['mm', 'mm'],
                ['thou', 'thou'],
              ]"
            />
            <PickBox
              v-if="kind.from_drawer"
              v-model="draft.form"
              name="shim_form"
              label="Shims"
              :options="forms"
            />
          </div>
          <FromTable class="mb-3" :kind="draft.kind" @put="(given) => (answers = { ...answers, ...given })" />
          <FormFields v-model="answers" :fields="asked" :problems="wrong" narrow />
          <details v-if="rest.length" class="mt-3" :open="rest.some((f) => wrong[f.key])">
            <summary class="flex min-h-11 cursor-pointer items-center font-semibold">
              {{ rest.length }} more, answered as usual
            </summary>
            <FormFields v-model="answers" :fields="rest" :problems="wrong" narrow class="mt-2" />
          </details>
          <SendingProblem :sending="sending" />
          <button type="submit" class="control control-main mt-4 min-h-[60px] w-full text-[20px]" data-begin>
            Begin reading <span class="keycap">Enter</span>
          </button>
        </template>
        <p v-else class="text-[18px] text-secondary">Choose what is to be set; then its window is asked.</p>
      </section>
    </form>
  </main>
</template>
