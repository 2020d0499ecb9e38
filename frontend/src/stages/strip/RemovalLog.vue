<script setup lang="ts">
import { at } from "../../api/rigAddress";
import type { StripView } from "../../api/client";
import type { StripDesk } from "./useStrip";

defineProps<{ desk: StripDesk; view: StripView }>();
</script>

<template>
  <div class="flex flex-wrap items-center justify-between gap-3">
    <h2 class="zone-head">What came off, in order</h2>
    <a
      v-if="view.removals.some((r) => r.bag)"
      class="control"
      :href="at(`/api/jobs/${view.job.id}/bag-labels.pdf`)"
      download
      data-labels
      >Bag labels</a
    >
  </div>
  <p v-if="!view.removals.length" class="mt-4 text-[20px]">
    Nothing is off yet. Tap the part that comes off first.
  </p>
  <ol class="mt-2" data-removals>
    <li
      v-for="(r, i) in view.removals"
      :key="r.id"
      class="grid items-center gap-x-4 border-b-2 border-row py-2 md:grid-cols-[32px_1fr_auto_auto]"
    >
      <span class="text-[20px] font-bold">{{ i + 1 }}</span>
      <span class="min-w-0"
        ><span class="block text-[18px] font-bold leading-tight"
          >{{ r.count > 1 ? `${r.count} × ` : "" }}{{ r.label }}</span
        ><span class="text-secondary">{{
          [
            r.way,
            r.tag && `tag ${r.tag}`,
            r.side,
            r.orientation,
            r.mates.length ? `with ${r.mates.join(", ")}` : "",
            r.remark,
            r.by,
          ]
            .filter(Boolean)
            .join(" · ")
        }}</span></span
      >
      <span class="text-right"
        ><span v-if="r.bag" class="block font-semibold">bag {{ r.bag_code }}</span
        ><span v-if="!r.reuse" class="font-bold text-danger">no re-use</span></span
      >
      <button
        type="button"
        class="control"
        @click="desk.write({ kind: 'removed', supersedes: r.id, void: true })"
      >
        Strike
      </button>
    </li>
  </ol>
</template>
