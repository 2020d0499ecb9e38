<script setup lang="ts">
/** A cover plate across the line and the tray, drawn before the step that closes. */
import type { LidView } from "../../api/client";

defineProps<{ lid: LidView }>();
</script>

<template>
  <div
    class="grid h-[22px] grid-cols-[56px_1fr_auto] items-center border-y-[3px] text-[15px] font-bold md:grid-cols-[96px_52px_1fr_minmax(190px,26%)]"
    :class="lid.shut ? 'border-danger bg-danger text-on-danger' : 'hatch border-found'"
    :data-lid="lid.step"
    :data-shut="lid.shut"
  >
    <span class="hidden md:block"></span><span></span>
    <span class="truncate pl-4"
      ><span :class="lid.shut ? '' : 'bg-surface px-1'">{{ lid.words }}</span></span
    >
    <span class="px-3"
      ><span :class="lid.shut ? '' : 'bg-surface px-1 text-secondary'">{{ lid.out }}</span></span
    >
  </div>
</template>
