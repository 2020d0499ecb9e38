<script setup lang="ts">
/** The shim drawer: every form and thickness with its count; a count is corrected by counting. */
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, reactive } from "vue";
import { api, newId, unwrap } from "../api/client";
import { useSending } from "../composables/useSending";
import WaitPage from "../stages/WaitPage.vue";
import MikeForm from "./MikeForm.vue";
import ShopHeader from "../ui/ShopHeader.vue";
import WantedList from "./WantedList.vue";
import { typedNumber } from "../ui/typedNumber";
import { keepAnswer } from "../composables/keepAnswer";

const client = useQueryClient();
const { data, error } = useQuery({ queryKey: ["drawer"], queryFn: () => unwrap(api.GET("/api/drawer")) });
const forms = computed(() => [...new Set(data.value?.map((l) => l.form) ?? [])]);
const draft = reactive({ form: "", thickness: "", count: "" });
const { trouble, send } = useSending();
async function count() {
  const body = {
    id: newId(),
    form: draft.form,
    thickness: draft.thickness,
    count: typedNumber(draft.count, 0),
  };
  await send(async (header) => {
    const answer = await unwrap(api.POST("/api/drawer/counts", { params: { header }, body }));
    await keepAnswer(client, ["drawer"], answer);
    Object.assign(draft, { thickness: "", count: "" });
  });
}
</script>

<template>
  <ShopHeader title="Shim drawer" sub="by form and thickness, as counted and as used" />
  <WaitPage bare v-if="!data" :problem="error" />
  <main v-else class="grid gap-8 px-5 py-5 lg:grid-cols-[1fr_320px]">
    <div>
      <div class="grid gap-6 md:grid-cols-3">
        <table v-for="form in forms" :key="form" class="w-full self-start text-[19px]">
          <caption class="zone-head pb-1 text-left wrap-anywhere">
            {{
              form
            }}
          </caption>
          <thead class="text-left text-[15px] text-secondary">
            <tr>
              <th>mm</th>
              <th>thou</th>
              <th>measures</th>
              <th class="text-right">there</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="l in data.filter((x) => x.form === form)"
              :key="l.thickness"
              class="border-b border-row"
              :class="l.count < 1 ? 'text-danger' : ''"
            >
              <td class="py-1.5 font-bold">{{ l.mm }}</td>
              <td>{{ l.thou }}</td>
              <td class="text-[16px]" :class="l.miked ? 'font-bold' : 'text-secondary'">
                {{ l.miked || `± ${l.tolerance}` }}
              </td>
              <td class="text-right font-bold">
                {{ l.count
                }}{{ l.count < 0 ? " count it" : l.count === 0 ? " none" : l.count === 1 ? " low" : "" }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <WantedList />
    </div>
    <div class="lg:border-l-2 lg:pl-6">
      <form class="flex flex-col gap-3" @submit.prevent="count">
        <h2 class="zone-head">Counted</h2>
        <label>Form<input v-model="draft.form" class="field" list="forms" required /></label>
        <datalist id="forms"><option v-for="f in forms" :key="f" :value="f" /></datalist>
        <label
          >Thickness<input v-model="draft.thickness" class="field" placeholder="0.08 or 3 thou" required
        /></label>
        <label
          >How many lie there<input
            v-model="draft.count"
            class="field"
            inputmode="numeric"
            pattern="[0-9]+"
            required
        /></label>
        <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
        <button type="submit" class="control control-main">Write the count</button>
      </form>
      <MikeForm :forms="forms" />
    </div>
  </main>
</template>
