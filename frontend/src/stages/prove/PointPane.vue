<script setup lang="ts">
/** The point in hand: what is asked, what can be said of it, and the way to where it is settled. */
import { computed, nextTick, ref } from "vue";
import { useRouter } from "vue-router";
import type { ProvePointView, ProveView } from "../../api/client";
import { useKeys } from "../../composables/useKeys";
import PickBox from "../../ui/PickBox.vue";
import RadioRow from "../../ui/RadioRow.vue";
import { typedNumber } from "../../ui/typedNumber";
import VerdictTag from "../../marks/VerdictTag.vue";
import LockPanel from "./LockPanel.vue";
import PutOffForm from "./PutOffForm.vue";
import type { ProveDesk } from "./useProve";

const props = defineProps<{ point: ProvePointView; view: ProveView; desk: ProveDesk }>();
const router = useRouter();
const way = ref(props.point.ways.length === 1 ? (props.point.ways[0] ?? "") : "");
const count = ref("");
const amount = ref("");
const photo = ref("");
const words = ref("");
const saying = ref<"" | "wrong" | "could_not" | "put_off">("");
const wordsField = ref<HTMLInputElement | null>(null);
const asks = (what: string) => props.point.asks.includes(what);
const isLock = computed(() => props.view.locks.length > 0 && props.point.key === "ready:lock");
const mayStay = computed(() => !props.point.must && props.point.state !== "done");
const photos = computed<[string, string][]>(() => [
  ["", "no photo"],
  ...props.view.photos
    .filter((p) => !p.struck)
    .map((p, i) => [p.id, p.caption || `photo ${i + 1}`] as [string, string]),
]);
function body(how: string) {
  const said: Record<string, unknown> = { point: props.point.key, how, words: words.value.trim() };
  if (how !== "seen") return said;
  if (asks("way")) said["way"] = way.value;
  if (asks("count") && count.value.trim()) said["count"] = typedNumber(count.value, null);
  if (asks("amount")) said["amount"] = amount.value.trim();
  if (photo.value) said["photo"] = photo.value;
  return said;
}
async function say(how: "seen" | "wrong" | "could_not") {
  if (how !== "seen" && !words.value.trim()) {
    saying.value = how;
    await nextTick();
    return wordsField.value?.focus();
  }
  if (await props.desk.write("proved", body(how))) saying.value = "";
}
async function takePhoto(event: Event) {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (file) photo.value = (await props.desk.photo(file, props.point.label)) || photo.value;
  input.value = "";
}
const go = () => void router.push(`/jobs/${props.view.job.id}${props.point.to}`);
const strike = () =>
  void props.desk.strike(props.point.state === "put_off" ? "deferred" : "proved", props.point.fact);
useKeys((event, typing) => {
  if (typing || props.view.job.closed) return false;
  if (event.key === "Enter" && props.point.here && !isLock.value) void say("seen");
  else if (event.key === "Enter" && props.point.to) go();
  else if (event.key === "x" && props.point.here) void say("wrong");
  else if (event.key === "n" && mayStay.value) void say("could_not");
  else if (event.key === "d" && mayStay.value) saying.value = "put_off";
  else return false;
  return true;
});
const ASK = { wrong: "What was seen", could_not: "Why it could not be checked" };
</script>

<template>
  <section
    class="flex min-w-0 flex-col gap-4 px-5 py-4 lg:border-l-2"
    :aria-label="point.label"
    data-point-pane
  >
    <div>
      <h2 class="text-[28px] leading-tight font-bold first-letter:uppercase">{{ point.label }}</h2>
      <p class="mt-1 text-[18px] wrap-anywhere first-letter:uppercase">{{ point.words }}</p>
      <p class="mt-2 flex flex-wrap items-center gap-3">
        <VerdictTag :code="point.code" :words="point.state_words" small />
        <span v-if="point.by" class="text-secondary">{{ point.by }}</span>
      </p>
    </div>
    <p v-if="view.job.closed" class="text-secondary">The job is closed: it takes nothing any more.</p>
    <LockPanel v-else-if="isLock" :locks="view.locks" :desk="desk" />
    <form v-else class="flex flex-col gap-3" @submit.prevent="say('seen')">
      <template v-if="point.here">
        <RadioRow
          v-if="asks('way') && point.ways.length"
          v-model="way"
          name="way"
          label="How"
          stacked
          :options="point.ways.map((w) => [w, w] as const)"
        />
        <div v-if="asks('count') || asks('photo')" class="relative grid gap-3 sm:grid-cols-2">
          <label v-if="asks('count')"
            >How many made, of {{ point.most
            }}<input v-model="count" class="field" name="count" inputmode="numeric" autocomplete="off"
          /></label>
          <PickBox v-if="asks('photo')" v-model="photo" name="photo" label="Shown in" :options="photos" />
          <label v-if="asks('photo')" class="control self-end"
            >Take a photo<input
              type="file"
              accept="image/png,image/jpeg,image/webp"
              capture="environment"
              class="sr-only"
              data-photo
              @change="takePhoto"
          /></label>
        </div>
        <label v-if="asks('amount')"
          >How much went in<input
            v-model="amount"
            class="field"
            name="amount"
            placeholder="3.2 L, to the plug"
            maxlength="60"
        /></label>
        <label
          >{{ saying === "wrong" || saying === "could_not" ? ASK[saying] : "Words, if any"
          }}<input ref="wordsField" v-model="words" class="field" name="words" maxlength="500"
        /></label>
        <div class="flex flex-wrap gap-3">
          <button type="submit" class="control control-main min-h-[64px] flex-1 text-[20px]" data-seen>
            {{ point.state === "done" ? "Seen again" : "Seen" }} <span class="keycap">Enter</span>
          </button>
          <button type="button" class="control min-h-[64px]" data-wrong @click="say('wrong')">
            Not right <span class="keycap">x</span>
          </button>
        </div>
      </template>
      <template v-else>
        <label v-if="saying === 'could_not'"
          >{{ ASK.could_not
          }}<input ref="wordsField" v-model="words" class="field" name="words" maxlength="500"
        /></label>
        <button
          v-if="point.to"
          type="button"
          class="control control-main min-h-[64px] text-[20px]"
          data-go
          @click="go"
        >
          {{ point.state === "done" ? "See it" : "Settle it there" }} <span class="keycap">Enter</span>
        </button>
      </template>
      <div v-if="mayStay" class="flex flex-wrap gap-3">
        <button type="button" class="control" data-could-not @click="say('could_not')">
          Could not be checked <span class="keycap">n</span>
        </button>
        <button type="button" class="control" data-put-off @click="saying = 'put_off'">
          Put it off <span class="keycap">d</span>
        </button>
      </div>
      <button
        v-if="
          point.fact &&
          ['done', 'wrong', 'could_not', 'put_off'].includes(point.state) &&
          point.key !== 'ready:lock'
        "
        type="button"
        class="control self-start"
        data-strike
        @click="strike"
      >
        Strike what was said
      </button>
    </form>
    <PutOffForm
      v-if="saying === 'put_off'"
      :what="point.label"
      :point="point.key"
      :until="point.until"
      :names="view.names"
      :desk="desk"
      @done="saying = ''"
    />
  </section>
</template>
