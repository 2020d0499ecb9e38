<script setup lang="ts">
/** The gauge register: what each gauge can tell, and until when its card holds. */
import { computed, ref } from "vue";
import { useQuery } from "@tanstack/vue-query";
import { api, unwrap } from "../api/client";
import WaitPage from "../stages/WaitPage.vue";
import GaugeForm from "./GaugeForm.vue";
import GaugeLineForm from "./GaugeLineForm.vue";
import ShopHeader from "../ui/ShopHeader.vue";

/** In which unit the core keeps what is measured. */
const BASE: Record<string, string> = { length: "mm", force: "N", torque: "N·m", angle: "°", time: "s" };
const { data, error } = useQuery({ queryKey: ["gauges"], queryFn: () => unwrap(api.GET("/api/gauges")) });
/** The gauge whose line is open. */
const talking = ref("");
const lined = computed(() => data.value?.find((g) => g.id === talking.value));
</script>

<template>
  <ShopHeader title="Gauges" sub="division, interpolation and calibration feed every give-or-take" />
  <WaitPage bare v-if="!data" :problem="error" />
  <main v-else class="grid gap-8 px-5 py-5 lg:grid-cols-[1fr_320px]">
    <div class="min-w-0 overflow-x-auto">
      <table class="w-full max-w-[1000px] min-w-[700px] text-left text-[17px] [&_td]:pr-3 [&_th]:pr-3">
        <thead class="text-[16px] text-secondary">
          <tr>
            <th class="py-2">Gauge</th>
            <th>Can take</th>
            <th>Division</th>
            <th>Read to</th>
            <th>Can tell</th>
            <th>Calibration u</th>
            <th>Due</th>
            <th>Talks</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="g in data" :key="g.id" class="border-b border-row">
            <td class="py-3 font-bold">{{ g.name }}</td>
            <td>{{ g.takes.join(", ") || "not said" }}</td>
            <td>{{ g.division }} {{ g.unit }}</td>
            <td>{{ g.interpolation }} div.</td>
            <td>{{ Math.round(g.resolution * 1e5) / 1e5 }} {{ BASE[g.quantity] }}</td>
            <td>{{ g.calibration_u }} {{ BASE[g.quantity] }}</td>
            <td :class="g.overdue ? 'font-bold text-danger' : ''">
              {{ g.due || "no date" }}{{ g.overdue ? " overdue" : "" }}
            </td>
            <td>
              <button
                type="button"
                class="control relative min-h-11 px-2 text-[16px]"
                :aria-expanded="talking === g.id"
                :data-line="g.id"
                @click="talking = talking === g.id ? '' : g.id"
              >
                {{ g.line ? "Line" : "Add" }}<span class="sr-only"> how {{ g.name }} talks</span>
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <GaugeLineForm v-if="lined" :key="lined.id" :gauge="lined" @close="talking = ''" />
    <GaugeForm v-else />
  </main>
</template>
