<script setup lang="ts">
/** A parts list pasted from a spreadsheet: every line with the kind its words suggest, looked over once, then taken. */
import { computed, ref } from "vue";
import { api, unwrap, type KindChoice, type PastedPart } from "../../api/client";
import { useKept } from "../../composables/useKept";
import { useSending } from "../../composables/useSending";
import PickBox from "../PickBox.vue";
import SendingProblem from "../SendingProblem.vue";
import type { Row } from "./columns";

const props = defineProps<{ kinds: KindChoice[]; shafts: [string, string][] }>();
const emit = defineEmits<{ take: [rows: Row[]] }>();
const text = useKept<string>("pasted-parts", "");
const found = ref<(PastedPart & { shaft: string; left: boolean })[]>([]);
const sending = useSending();
const options = computed(() => props.kinds.map((k) => [k.key, k.label] as [string, string]));
const onShafts = computed<[string, string][]>(() => [["", "on no shaft"], ...props.shafts]);
const unsure = computed(() => found.value.filter((p) => !p.clear && !p.left).length);
const read = () =>
  sending.send(async () => {
    const list = await unwrap(api.POST("/api/parts-lists/guesses", { body: { text: text.value } }));
    found.value = list.parts.map((p) => ({ ...p, shaft: String(p.row["shaft"] ?? ""), left: false }));
  });
async function file(event: Event) {
  const input = event.target as HTMLInputElement;
  text.value = (await input.files?.[0]?.text()) ?? text.value;
  input.value = "";
  await read();
}
function take() {
  const rows = found.value
    .filter((p) => !p.left)
    .map((p) => ({
      ...(p.row as Row),
      label: p.label,
      kind: p.kind,
      ...(p.number ? { number: p.number } : {}),
      ...(p.count > 1 ? { count: p.count } : {}),
      ...(p.teeth ? { teeth: p.teeth } : {}),
      ...(p.shaft ? { shaft: p.shaft } : {}),
    }));
  emit("take", rows);
  found.value = [];
  text.value = "";
}
</script>

<template>
  <div class="flex flex-col gap-3" data-pasted>
    <label class="font-semibold"
      >Copy the rows in the spreadsheet and paste them here
      <textarea
        v-model="text"
        class="field py-2 font-medium"
        rows="5"
        name="pasted"
        placeholder="1   Input pinion, 17 teeth   1   A-100"
      ></textarea>
    </label>
    <div class="flex flex-wrap gap-2">
      <button
        type="button"
        class="control control-main"
        :disabled="!text.trim()"
        data-read-pasted
        @click="read"
      >
        Read it
      </button>
      <label class="control"
        >From a file<input
          type="file"
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          class="sr-only"
          data-parts-csv
          @change="file"
      /></label>
    </div>
    <SendingProblem :sending="sending" />
    <template v-if="found.length">
      <p role="status" class="font-semibold" data-pasted-says>
        {{ found.length }} lines read.
        {{ unsure ? `${unsure} of them are a guess: look at those marked.` : "Look them over." }}
      </p>
      <div
        v-for="p in found"
        :key="p.line"
        class="grid grid-cols-[1fr_auto] items-center gap-x-3 gap-y-1 border-b-2 border-row pb-2"
        :class="p.left ? 'opacity-60' : ''"
        :data-pasted-line="p.line"
      >
        <p class="min-w-0 break-words">
          <span class="font-bold" :class="p.left ? 'line-through' : ''">{{ p.label }}</span>
          <span class="ml-2 text-secondary">
            {{
              [p.number, p.count > 1 ? `${p.count} of it` : "", p.teeth ? `${p.teeth} teeth` : ""]
                .filter(Boolean)
                .join(" · ")
            }}
          </span>
          <span v-if="!p.clear" class="mark ml-2">a guess</span>
        </p>
        <button type="button" class="control px-3" @click="p.left = !p.left">
          {{ p.left ? "Take it" : "Leave it" }}
        </button>
        <div class="col-span-2 grid gap-2 sm:grid-cols-2">
          <PickBox
            v-model="p.kind"
            :name="`kind-${p.line}`"
            :spoken="`Kind of ${p.label}`"
            :options="options"
            @update:model-value="p.clear = true"
          />
          <PickBox
            v-model="p.shaft"
            :name="`shaft-${p.line}`"
            :spoken="`Shaft of ${p.label}`"
            :options="onShafts"
          />
        </div>
      </div>
      <button type="button" class="control control-main" data-take-pasted @click="take">
        Take these parts
      </button>
    </template>
  </div>
</template>
