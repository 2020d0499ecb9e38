<script setup lang="ts">
/** What one missing shim would give, over all open jobs: what to buy. */
import { useQuery } from "@tanstack/vue-query";
import { RouterLink } from "vue-router";
import { api, unwrap } from "../api/client";

const { data } = useQuery({ queryKey: ["wanted"], queryFn: () => unwrap(api.GET("/api/drawer/wanted")) });
</script>

<template>
  <section class="mt-6" data-wanted>
    <h2 class="zone-head border-b-2 pb-1">To buy: what one missing shim would give</h2>
    <p v-if="data && !data.length" class="py-2">
      Nothing: no open setting waits for a shim that is not here.
    </p>
    <div
      v-for="w in data"
      :key="`${w.form} ${w.thickness}`"
      class="flex flex-wrap gap-x-6 border-b border-row py-2"
    >
      <p class="w-[220px] min-w-0 text-[20px] font-bold wrap-anywhere">
        {{ w.mm }} <span class="text-[15px] font-medium text-secondary">{{ w.thou }} thou, {{ w.form }}</span>
      </p>
      <ul class="min-w-0 flex-1 wrap-anywhere">
        <li v-for="g in w.settings" :key="g.setting">
          <RouterLink class="underline" :to="`/jobs/${g.job}/set/${g.setting}`"
            >{{ g.tag }} {{ g.label }}</RouterLink
          >: {{ g.words }} that it lands in
        </li>
      </ul>
    </div>
  </section>
</template>
