<script setup lang="ts">
/** What the whole yard waits for, the late first; and which numbers stand for each other. */
import { useQuery } from "@tanstack/vue-query";
import { RouterLink } from "vue-router";
import { api, unwrap } from "../api/client";
import WaitPage from "../stages/WaitPage.vue";
import UnitTag from "../ui/UnitTag.vue";
import CrossNumbers from "./CrossNumbers.vue";
import ShopHeader from "../ui/ShopHeader.vue";

const { data, error } = useQuery({ queryKey: ["orders"], queryFn: () => unwrap(api.GET("/api/orders")) });
</script>

<template>
  <ShopHeader title="Orders" sub="what the yard waits for" />
  <WaitPage bare v-if="!data" :problem="error" />
  <main v-else class="px-5 py-4">
    <div class="flex items-center justify-between gap-3">
      <h2 class="zone-head">Ordered and sent out, not here yet</h2>
      <a class="control" href="/api/orders.csv" download>Orders as CSV</a>
    </div>
    <p v-if="!data.length" class="mt-4 text-[20px]">
      Nothing is on order. Parts are ordered where they are judged, under Inspect.
    </p>
    <ul>
      <li v-for="o in data" :key="o.id">
        <RouterLink
          :to="`/jobs/${o.job_id}/inspect`"
          class="grid min-h-[60px] items-center gap-x-4 border-b-2 border-row py-1 md:grid-cols-[98px_1fr_1fr_auto]"
          data-yard-order
        >
          <UnitTag :tag="o.tag" small />
          <span class="text-[19px] font-bold">{{ o.label }}</span>
          <span>{{ o.count }} × {{ o.number }} · {{ o.supplier }}</span>
          <span class="text-[18px] font-bold" :class="o.late ? 'text-danger' : ''"
            >{{ o.late ? "LATE, " : "" }}{{ o.promised ? `promised ${o.promised}` : "no promise" }}</span
          >
        </RouterLink>
      </li>
    </ul>
    <CrossNumbers />
  </main>
</template>
