<script setup lang="ts">
/** A stage that runs: each bearing read by the minute, what is heard, and its end. */
import { computed, ref } from "vue";
import type { ProveView, RunView } from "../../api/client";
import { useKeys } from "../../composables/useKeys";
import ReadoutMark from "../../marks/ReadoutMark.vue";
import SceneMark from "../../marks/SceneMark.vue";
import VerdictMark from "../../marks/VerdictMark.vue";
import PickBox from "../../ui/PickBox.vue";
import { typedNumber } from "../../ui/typedNumber";
import { paintOf } from "../../marks/verdictLook";
import type { ProveDesk } from "./useProve";

const props = defineProps<{ run: RunView; view: ProveView; desk: ProveDesk }>();
const part = ref(props.run.rows[0]?.part ?? "");
const row = computed(() => props.run.rows.find((r) => r.part === part.value));
const typed = ref("");
const minute = ref("");
const noise = ref("even");
const leak = ref("dry");
const where = ref("");
const why = ref("");
function move(by: number) {
  const at = props.run.rows.findIndex((r) => r.part === part.value);
  const n = props.run.rows.length;
  part.value = props.run.rows[(at + by + n) % n]?.part ?? part.value;
}
async function take() {
  if (!typed.value.trim() || !row.value) return;
  const body: Record<string, unknown> = { run: props.run.id, part: part.value, text: typed.value };
  if (minute.value.trim()) body["minutes"] = typedNumber(minute.value, 0);
  if (!(await props.desk.write("run_read", body))) return;
  typed.value = "";
  move(1);
}
async function hear() {
  const body = { run: props.run.id, noise: noise.value, leak: leak.value, words: where.value };
  if (await props.desk.write("run_heard", body)) where.value = "";
}
const end = (how: "done" | "stopped") =>
  props.desk.write("run_ended", { run: props.run.id, how, words: why.value });
useKeys((event, typing) => {
  if (event.key === "Enter" && typed.value) void take();
  else if (!typing && event.key === "ArrowDown") move(1);
  else if (!typing && event.key === "ArrowUp") move(-1);
  else return false;
  return true;
});
</script>

<template>
  <div class="grid gap-x-8 gap-y-4 px-5 py-3 lg:grid-cols-[1fr_420px]" data-run-now>
    <div class="min-w-0">
      <h2 class="zone-head">
        {{ run.label }}, {{ run.words }}
        <span class="font-medium text-secondary">{{ run.minutes }} min; surroundings {{ run.ambient }}</span>
      </h2>
      <ReadoutMark :scene="run.strip" compact />
      <SceneMark v-if="run.log.rows.length" :scene="run.log" />
    </div>
    <div class="flex flex-col gap-4">
      <form class="flex flex-col gap-3" data-run-read @submit.prevent="take">
        <ul>
          <li v-for="b in run.rows" :key="b.part">
            <button
              type="button"
              class="grid min-h-[52px] w-full cursor-pointer grid-cols-[54px_1fr] items-center gap-3 border-b-2 border-row px-2 py-1 text-left"
              :class="b.part === part ? 'bg-here text-on-here' : ''"
              :aria-current="b.part === part"
              :data-bearing="b.part"
              @click="part = b.part"
            >
              <span
                class="flex h-9 items-center justify-center"
                :class="paintOf(b.code) || (b.part === part ? 'bg-surface text-words' : '')"
                ><VerdictMark :code="b.code"
              /></span>
              <span class="min-w-0 leading-tight"
                ><strong>{{ b.label }}</strong> {{ b.last
                }}<span class="block text-[15px]"
                  >{{ b.words }} {{ b.beside }} Next at {{ b.next_min }} min.</span
                ></span
              >
            </button>
          </li>
        </ul>
        <div class="grid grid-cols-[1fr_120px] gap-3">
          <label
            >{{ row?.label ?? "Bearing" }}, °C<input
              v-model="typed"
              class="field text-[32px] font-bold"
              name="celsius"
              inputmode="decimal"
              autocomplete="off"
              data-live
          /></label>
          <label
            >At minute<input
              v-model="minute"
              class="field"
              name="minute"
              inputmode="decimal"
              placeholder="now"
          /></label>
        </div>
        <div class="flex gap-3">
          <button
            type="submit"
            class="control control-main min-h-[64px] flex-1 text-[20px]"
            :disabled="!typed"
          >
            Take it <span class="keycap">Enter</span>
          </button>
          <button
            v-if="row?.last_fact"
            type="button"
            class="control min-h-[64px]"
            data-strike-read
            @click="desk.strike('run_read', row.last_fact)"
          >
            Strike {{ row.last }}
          </button>
        </div>
      </form>
      <form class="flex flex-col gap-2 border-t-2 pt-3" data-run-heard @submit.prevent="hear">
        <div class="grid gap-3 sm:grid-cols-2">
          <PickBox
            v-model="noise"
            name="noise"
            label="By ear"
            :options="view.running.noises as [string, string][]"
          />
          <PickBox
            v-model="leak"
            name="leak"
            label="Leaks"
            :options="view.running.leaks as [string, string][]"
          />
        </div>
        <div class="flex items-end gap-3">
          <label class="min-w-0 flex-1"
            >Where<input v-model="where" class="field" name="where" maxlength="200"
          /></label>
          <button type="submit" class="control">Write it</button>
        </div>
        <p v-for="h in run.heard" :key="h" class="text-[15px]">{{ h }}</p>
      </form>
      <form class="flex flex-col gap-2 border-t-2 pt-3" data-run-end @submit.prevent="end('stopped')">
        <label>Why it stops<input v-model="why" class="field" name="why" maxlength="300" /></label>
        <div class="flex gap-3">
          <button type="submit" class="control" :class="run.must_stop ? 'control-main' : ''" data-stop>
            Stopped
          </button>
          <button
            type="button"
            class="control flex-1"
            :disabled="run.must_stop"
            data-done
            @click="end('done')"
          >
            {{ run.must_stop ? "It must stop" : "Run to its end" }}
          </button>
        </div>
      </form>
    </div>
  </div>
</template>
