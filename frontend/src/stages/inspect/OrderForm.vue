<script setup lang="ts">
/** A part that must be had: number, substitutes, supplier, promise. */
import { reactive, ref } from "vue";
import type { InspectPart } from "../../api/client";
import type { InspectDesk } from "./useInspect";

const props = defineProps<{ desk: InspectDesk; part: InspectPart }>();
const order = reactive({ number: props.part.number, supplier: "", promised: "" });
/** Left empty, it is one. */
const count = ref<number | "">(props.part.count);
const what = props.part.chosen === "send_out" ? "send_out" : "order";
const send = () =>
  props.desk.write("ordered", { part: props.part.key, what, words: "", ...order, count: count.value || 1 });
</script>

<template>
  <form class="border-t-2 px-5 py-3" data-order-form @submit.prevent="send">
    <h3 class="zone-head">{{ what === "order" ? "To be ordered" : "To be sent out" }}</h3>
    <div class="grid gap-3 sm:grid-cols-5">
      <label>Number<input v-model="order.number" class="field" name="number" required /></label>
      <label
        >How many<input
          v-model.number="count"
          class="field"
          name="order-count"
          type="number"
          min="1"
          max="500"
      /></label>
      <label
        >{{ what === "order" ? "Supplier" : "Sent to"
        }}<input v-model="order.supplier" class="field" name="supplier" required
      /></label>
      <label>Promised<input v-model="order.promised" class="field" name="promised" type="date" /></label>
      <button type="submit" class="control self-end">{{ what === "order" ? "Ordered" : "Sent out" }}</button>
    </div>
    <p v-if="part.substitutes.length" class="mt-2 flex flex-wrap items-center gap-2">
      Stands for it:
      <button v-for="n in part.substitutes" :key="n" type="button" class="control" @click="order.number = n">
        {{ n }}
      </button>
    </p>
  </form>
</template>
