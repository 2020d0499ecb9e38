<script setup lang="ts">
/** A reading asked about before it counts: one tap for what was meant, or it stands. */
import type { Cell } from "../../api/client";

defineProps<{ cell: Cell }>();
defineEmits<{ meant: [text: string]; stands: []; strike: [id: string] }>();
const plain = (n: number) => String(Math.round(n * 1e5) / 1e5);
</script>

<template>
  <div class="flex flex-wrap items-center gap-2" data-asked>
    <template v-if="cell.status === 'contested'">
      <button
        v-for="e in cell.entries"
        :key="e.id"
        type="button"
        class="control"
        @click="$emit('strike', e.id)"
      >
        Strike {{ e.as_typed }} ({{ e.by }})
      </button>
    </template>
    <template v-else>
      <button
        v-for="s in cell.slips.filter((s) => s.factor !== 1).slice(0, 2)"
        :key="s.factor"
        type="button"
        class="control control-main"
        @click="$emit('meant', `${plain(s.meant)} ${cell.quantity === 'length' ? 'mm' : ''}`.trim())"
      >
        It was {{ plain(s.meant) }}
      </button>
      <button v-if="cell.slips.every((s) => s.stands)" type="button" class="control" @click="$emit('stands')">
        {{ cell.entries[0]?.as_typed }} stands
      </button>
    </template>
  </div>
</template>
