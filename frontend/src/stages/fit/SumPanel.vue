<script setup lang="ts">
/** A sum at a part or a step of this job: answered as it is typed, laid down with one tap. */
import { computed, ref, watch } from "vue";
import type { FitsView } from "../../api/client";
import { useKept } from "../../composables/useKept";
import { useSum } from "../../composables/useSum";
import type { FormDraft } from "../../composables/useForm";
import FormFields from "../../ui/FormFields.vue";
import PickBox from "../../ui/PickBox.vue";
import SayLine from "../../ui/SayLine.vue";
import SumAnswer from "../../ui/SumAnswer.vue";
import WorkingPanel from "../../ui/WorkingPanel.vue";
import { sayOf } from "../../ui/sumSay";
import { draftKey } from "../../ui/sumDraft";

const props = defineProps<{ view: FitsView; at: string; sum: string }>();
const emit = defineEmits<{ lay: [body: Record<string, unknown>] }>();
const at = ref(props.at);
const fit = computed(() => props.view.fits.find((f) => `${f.at}:${f.key}` === at.value));
const first = props.view.fits.find((f) => `${f.at}:${f.key}` === props.at)?.laid.at(-1)?.sum;
const sum = ref(props.sum || first || (props.at.startsWith("step:") ? "fit_bolts" : "fit_interference"));
const laid = computed(() => fit.value?.laid.find((l) => l.sum === sum.value));
const known = computed(() => ({ ...fit.value?.carry[sum.value], ...laid.value?.given }));
const draft = useKept<FormDraft>(() => draftKey(props.view.job.id, sum.value), {});
watch(
  [at, sum],
  () => {
    if (!Object.values(draft.value).some(Boolean)) draft.value = { ...known.value };
  },
  { immediate: true },
);
const { view: shown, trouble } = useSum(
  () => sum.value,
  () => props.view.job.length_unit,
  draft,
);
const ready = computed(() => props.view.ready.filter((r) => r.sums.includes(sum.value)));
const subjects = computed(() => props.view.subjects.map((s) => [`${s.at}:${s.key}`, s.label] as const));
function lay() {
  if (!shown.value?.answer || !at.value) return;
  const [where = "", ...rest] = at.value.split(":");
  const typed = Object.fromEntries(
    shown.value.fields.map((f) => [f.key, draft.value[f.key] ?? ""]).filter(([, text]) => text !== ""),
  ) as Record<string, string>;
  emit("lay", { sum: sum.value, [where]: rest.join(":"), given: typed, unit: props.view.job.length_unit });
}
const take = (given: Record<string, string>) => (draft.value = { ...draft.value, ...given });
const answered = computed(() => Boolean(shown.value?.answer && at.value));
defineExpose({ lay, clear: () => (draft.value = {}), ready: answered });
</script>

<template>
  <section data-sum-panel>
    <!-- Its room is there before the answer: nothing moves under the finger. -->
    <SayLine
      :say="shown ? sayOf(shown) : []"
      :eyebrow="shown?.title ?? ''"
      :head="shown?.answer?.head ?? ''"
      :aside="shown?.answer?.aside ?? ''"
      low
    />
    <div class="flex flex-wrap items-end gap-4 border-b-2 bg-bay px-5 py-3">
      <PickBox v-model="at" class="w-[320px]" name="at" label="At" :options="subjects" />
      <PickBox
        v-model="sum"
        class="w-[320px]"
        name="sum"
        label="The sum"
        :options="view.sums.map((s) => [s.kind, s.title] as const)"
      />
      <button
        v-for="r in ready"
        :key="r.name"
        type="button"
        class="control"
        :disabled="Boolean(r.why_not)"
        :title="r.why_not"
        :data-ready="r.name"
        @click="take(r.given)"
      >
        {{ r.name }}{{ r.why_not ? `: ${r.why_not}` : "" }}
      </button>
    </div>
    <div v-if="shown" class="grid gap-6 px-5 py-4 xl:grid-cols-2">
      <div>
        <p v-if="shown.problems[''] || trouble" class="mb-3 text-[18px] font-bold text-danger" role="alert">
          {{ shown.problems[""] || trouble }}
        </p>
        <FormFields v-model="draft" :fields="shown.fields" :problems="shown.problems" plain narrow />
      </div>
      <SumAnswer v-if="shown.answer" :answer="shown.answer" />
      <WorkingPanel v-if="shown.answer" class="xl:col-span-2" :results="shown.answer.outcome.results" />
    </div>
  </section>
</template>
