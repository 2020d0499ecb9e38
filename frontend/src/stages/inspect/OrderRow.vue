<script setup lang="ts">
/** One order: its promise, and what came, checked against the old part. */
import { reactive, ref } from "vue";
import type { OrderView } from "../../api/client";
import type { InspectDesk } from "./useInspect";

const props = defineProps<{ desk: InspectDesk; order: OrderView; unit: string }>();
const open = ref(false);
const came = reactive({ number: "", width_old: "", width_new: "", words: "" });
const promised = ref(props.order.promised);
async function receive() {
  if (await props.desk.write("received", { order: props.order.id, ...came })) open.value = false;
}
const fields: ["width_old" | "width_new" | "words", string][] = [
  ["width_old", "Width of the old one"],
  ["width_new", "Width of the new one"],
  ["words", "Remark"],
];
</script>

<template>
  <li class="border-b-2 border-row py-3" :data-order="order.id">
    <div class="grid items-center gap-x-4 gap-y-1 md:grid-cols-[1fr_auto] lg:grid-cols-[1fr_1fr_auto_auto]">
      <span
        ><span class="block text-[20px] font-bold leading-tight">{{ order.label }}</span
        ><span>{{ order.count }} × {{ order.number }} · {{ order.supplier }}</span></span
      >
      <span>{{ order.words }}</span>
      <span class="text-[18px] font-bold" :class="order.late ? 'text-danger' : ''"
        >{{ order.late ? "LATE, " : "" }}{{ order.state
        }}{{ order.promised && order.state !== "received" ? `, promised ${order.promised}` : "" }}</span
      >
      <button
        v-if="order.state !== 'received'"
        type="button"
        class="control"
        :aria-expanded="open"
        data-receive
        @click="open = !open"
      >
        It came, or a new promise
      </button>
    </div>
    <p v-if="order.substitutes.length" class="text-secondary">
      Stands for it: {{ order.substitutes.join(", ") }}
    </p>
    <p v-if="order.read_again.length" class="mt-1 text-[18px]" data-read-again>
      <span class="mark font-bold">Read again:</span> {{ order.read_again.join(", ") }}
    </p>
    <form v-if="open" class="mt-2 grid gap-3 sm:grid-cols-5" @submit.prevent="receive">
      <label
        >Number that came<input
          v-model="came.number"
          class="field"
          name="came-number"
          :placeholder="order.number"
      /></label>
      <label v-for="[key, words] in fields" :key="key"
        >{{ words }}{{ key === "words" ? "" : ` (${unit})`
        }}<input v-model="came[key]" class="field" :name="key"
      /></label>
      <button type="submit" class="control control-main self-end">It is here</button>
      <label class="sm:col-span-2"
        >New promise<input v-model="promised" class="field" name="new-promise" type="date"
      /></label>
      <button
        type="button"
        class="control self-end"
        @click="desk.write('promised', { order: order.id, promised })"
      >
        Promised anew
      </button>
    </form>
  </li>
</template>
