<script setup lang="ts">
/** The foot of a setting or a rig: what can be done, each with its key. */
import PageFoot from "./PageFoot.vue";

/** Something that can be done; `off` while it cannot. */
export interface Act {
  key: string;
  label: string;
  run: () => unknown;
  off?: boolean;
  main?: boolean;
}
const help = defineModel<"keys" | "cautions" | null>("help", { required: true });
defineProps<{ caution: string; acts: Act[]; keys: [string, string][]; cautions: string[] }>();
</script>

<template>
  <PageFoot v-model:help="help" :caution="caution" :keys="keys" :cautions="cautions">
    <button
      v-for="act in acts"
      :key="act.key"
      type="button"
      class="control px-3"
      :class="act.main ? 'control-main' : ''"
      :disabled="act.off"
      :data-act="act.key"
      @click="act.run()"
    >
      {{ act.label }} <span class="keycap max-sm:hidden">{{ act.key }}</span>
    </button>
  </PageFoot>
</template>
