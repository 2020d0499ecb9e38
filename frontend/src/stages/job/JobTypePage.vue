<script setup lang="ts">
/** A job's own copy of what the unit is made of: it can grow; its type is not touched. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed } from "vue";
import { onBeforeRouteLeave, useRouter } from "vue-router";
import { api, unwrap } from "../../api/client";
import { useSending } from "../../composables/useSending";
import type { Definition } from "../../ui/definition/columns";
import DefinitionEditor from "../../ui/definition/DefinitionEditor.vue";
import { leftBehind, throwAway, useDraft } from "../../ui/definition/useDraft";
import SendingProblem from "../../ui/SendingProblem.vue";
import JobFrame from "../../ui/JobFrame.vue";
import WaitPage from "../WaitPage.vue";
import { keepAnswer } from "../../composables/keepAnswer";

const props = defineProps<{ job: string }>();
const client = useQueryClient();
const router = useRouter();
const sending = useSending();
const path = computed(() => ({ job_id: props.job }));
const { data, error } = useQuery({
  queryKey: computed(() => ["job", props.job]),
  queryFn: () => unwrap(api.GET("/api/jobs/{job_id}", { params: { path: path.value } })),
});
const draft = useDraft(() => `job.${props.job}`);
const definition = computed<Definition>({
  get: () => draft.value?.definition ?? (data.value?.definition as Definition | undefined) ?? {},
  set: (made) =>
    (draft.value =
      JSON.stringify(made) === JSON.stringify(data.value?.definition)
        ? null
        : {
            name: data.value?.tag ?? "",
            definition: made,
            seen: draft.value?.seen ?? data.value?.version ?? 0,
          }),
});
onBeforeRouteLeave(() => {
  if (draft.value)
    leftBehind.value = { id: `job.${props.job}`, name: `${draft.value.name}, what it is made of` };
});
const save = () =>
  sending.send(async (header) => {
    const job = await unwrap(
      api.POST("/api/jobs/{job_id}/definition", {
        params: { path: path.value, header },
        body: { definition: definition.value, seen: data.value?.version ?? 0 },
      }),
    );
    await keepAnswer(client, ["job", props.job], job);
    draft.value = null;
    throwAway(`job.${props.job}`);
    await router.push(`/jobs/${props.job}`);
  });
</script>

<template>
  <WaitPage v-if="!data" :problem="error" />
  <JobFrame
    v-else
    :job="job"
    :tag="data.tag"
    :title="data.unit_name"
    sub="What this unit is made of"
    here="receive"
  >
    <form class="flex flex-wrap items-center gap-4 border-b-2 px-5 py-3" @submit.prevent="save">
      <p class="flex-1 text-[18px]">
        This job's own copy. What is there stays; parts, places and settings can be added.
        {{ draft ? "Not saved. Kept on this device as you type it." : "" }}
      </p>
      <button type="submit" class="control control-main" data-save-definition>Save for this job</button>
    </form>
    <SendingProblem :sending="sending" />
    <DefinitionEditor v-model="definition" />
  </JobFrame>
</template>
