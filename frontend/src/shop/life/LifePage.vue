<script setup lang="ts">
/** A unit over all its jobs: how it wears, who lived where, what it owes, what it looked like. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed } from "vue";
import { RouterLink, useRouter } from "vue-router";
import { api, newId, unwrap } from "../../api/client";
import { useKeys } from "../../composables/useKeys";
import { useSending } from "../../composables/useSending";
import { useZone } from "../../composables/useZone";
import WaitPage from "../../stages/WaitPage.vue";
import SayLine from "../../ui/SayLine.vue";
import SendingProblem from "../../ui/SendingProblem.vue";
import ShopHeader from "../../ui/ShopHeader.vue";
import StageTabs from "../../ui/StageTabs.vue";
import DwellingLeaf from "./DwellingLeaf.vue";
import OwedLeaf from "./OwedLeaf.vue";
import PhotoLeaf from "./PhotoLeaf.vue";
import VisitLeaf from "./VisitLeaf.vue";
import WearLeaf from "./WearLeaf.vue";
import { keepAnswer } from "../../composables/keepAnswer";

type Tab = "wear" | "lived" | "owed" | "photos" | "visits";
const ALL: [Tab, string, string][] = [
  ["wear", "Wear", "w"],
  ["lived", "Who lived where", "l"],
  ["owed", "Put off", "p"],
  ["photos", "Photos", "f"],
  ["visits", "Visits", "v"],
];
const props = defineProps<{ unit: string }>();
const client = useQueryClient();
const router = useRouter();
const sending = useSending();
const key = computed(() => ["life", props.unit]);
const { data, error } = useQuery({
  queryKey: key,
  queryFn: () => unwrap(api.GET("/api/units/{unit_id}", { params: { path: { unit_id: props.unit } } })),
  refetchOnMount: "always",
});
const tab = useZone<Tab>(
  "wear",
  ALL.map(([k]) => k),
);
const counts = computed(() => ({ owed: data.value?.owed.length ?? 0 }));
const done = (fact: string, words: string) =>
  sending.send(async (header) => {
    const path = { unit_id: props.unit };
    const body = { id: newId(), fact, words };
    const fresh = await unwrap(api.POST("/api/units/{unit_id}/done", { params: { path, header }, body }));
    await keepAnswer(client, key.value, fresh);
    await client.invalidateQueries({ queryKey: ["board"] });
  });
useKeys((event, typing) => {
  if (typing) return false;
  const wanted = ALL.find(([, , typed]) => typed === event.key);
  if (wanted) tab.value = wanted[0];
  else if (event.key === "j" && data.value?.open_job) void router.push(`/jobs/${data.value.open_job}`);
  else return false;
  return true;
});
</script>

<template>
  <ShopHeader
    :title="data ? `${data.name}, its life` : 'A unit'"
    :sub="data ? `Serial ${data.serial} · ${data.visits.length} times on the bench · ${data.type_name}` : ''"
  />
  <WaitPage v-if="!data" bare :problem="error" />
  <main v-else class="flex flex-1 flex-col">
    <SayLine :say="data.say" :eyebrow="`${data.tag}, serial ${data.serial}`" :aside="data.aside" low />
    <StageTabs v-model="tab" label="Life" :leaves="ALL" :counts="counts">
      <RouterLink v-if="data.open_job" class="control" :to="`/jobs/${data.open_job}`"
        >Job now <span class="keycap">j</span></RouterLink
      >
      <RouterLink class="control" :to="`/types/${data.type_id}`">Its type</RouterLink>
    </StageTabs>
    <WearLeaf v-if="tab === 'wear'" :view="data" />
    <DwellingLeaf v-else-if="tab === 'lived'" :view="data" />
    <OwedLeaf v-else-if="tab === 'owed'" :view="data" :done="done" />
    <PhotoLeaf v-else-if="tab === 'photos'" :view="data" />
    <VisitLeaf v-else :view="data" />
    <SendingProblem :sending="sending" />
  </main>
</template>
