<script setup lang="ts">
/** The contact witness as it was: painted on drive and coast, with how the pair ran. */
import { ref } from "vue";
import type { BaselineView } from "../../api/client";
import FlankPainter from "../../marks/FlankPainter.vue";
import { bareFlank } from "../../marks/flankShape";
import RadioRow from "../../ui/RadioRow.vue";
import TickBox from "../../ui/TickBox.vue";

const props = defineProps<{ item: BaselineView }>();
const emit = defineEmits<{ write: [body: Record<string, unknown>] }>();
const drive = ref(bareFlank());
const coast = ref(bareFlank());
const ran = ref("");
const remark = ref("");
const none = ref(false);
const ANSWERS = [
  ["well", "well"],
  ["badly", "badly"],
  ["cannot tell", "cannot tell"],
] as const;
const write = () =>
  emit(
    "write",
    none.value
      ? { mesh: props.item.subject, drive: [], coast: [], none: true, remark: remark.value }
      : {
          mesh: props.item.subject,
          drive: drive.value,
          coast: coast.value,
          ran: ran.value,
          remark: remark.value,
        },
  );
</script>

<template>
  <form class="flex flex-col gap-3" @submit.prevent="write">
    <div v-if="!none" class="grid gap-5 xl:grid-cols-2">
      <FlankPainter v-model="drive" label="Drive side" data-side="drive" />
      <FlankPainter v-model="coast" label="Coast side" data-side="coast" />
    </div>
    <TickBox v-model="none" name="none" label="Looked at: no witness is to be seen" />
    <div class="flex flex-wrap items-end gap-x-6 gap-y-3">
      <RadioRow v-if="!none" v-model="ran" name="ran" label="By these marks it ran" :options="ANSWERS" />
      <input
        v-model="remark"
        class="field max-w-[360px]"
        name="remark"
        aria-label="Remark"
        placeholder="polish, edge load, pits"
      />
      <button type="submit" class="control control-main" :disabled="!none && !ran">Write it down</button>
    </div>
  </form>
</template>
