<script setup lang="ts">
/** Orders and send-outs of this job. */
import { at } from "../../api/rigAddress";
import type { InspectView } from "../../api/client";
import type { InspectDesk } from "./useInspect";
import OrderRow from "./OrderRow.vue";

defineProps<{ desk: InspectDesk; view: InspectView }>();
</script>

<template>
  <div class="flex-1 px-5 py-3" data-orders>
    <div class="flex items-center justify-between gap-3">
      <h2 class="zone-head">Ordered and sent out</h2>
      <a class="control" :href="at(`/api/jobs/${view.job.id}/orders.csv`)" download>Orders as CSV</a>
    </div>
    <p v-if="!view.orders.length" class="mt-4 text-[20px]">
      Nothing is on order. A part judged replace or send out can be ordered where it is judged.
    </p>
    <ul>
      <OrderRow v-for="o in view.orders" :key="o.id" :desk="desk" :order="o" :unit="view.job.length_unit" />
    </ul>
  </div>
</template>
