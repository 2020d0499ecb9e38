<script setup lang="ts">
/** Who lets it go, and over what. */
import { computed, ref } from "vue";
import { RouterLink } from "vue-router";
import type { ProveView } from "../../api/client";
import { actor } from "../../composables/useActor";
import { useMe } from "../../composables/useMe";
import { useYard } from "../../composables/useYard";
import PinField from "../../ui/people/PinField.vue";
import SecondPerson from "../../ui/people/SecondPerson.vue";
import RadioRow from "../../ui/RadioRow.vue";
import type { ProveDesk } from "./useProve";

const props = defineProps<{ view: ProveView; desk: ProveDesk }>();
const { moment, yard } = useYard();
const how = ref("service");
const second = ref("");
const words = ref("");
const pin = ref("");
const secondPin = ref("");
const { authenticated } = useMe();
const r = computed(() => props.view.release);
const lists = computed(() => [
  { title: "First", points: r.value.first },
  { title: "May stay open, with a reason", points: r.value.may_stay },
]);
const prover = computed(() => yard.value?.people.find((m) => m.id === actor.value)?.name ?? "");
const blocked = computed(() => how.value === "service" && r.value.first.length > 0);
const send = () =>
  props.desk.release(how.value as "service" | "as_it_is", {
    second: second.value,
    words: words.value,
    pin: pin.value,
    second_pin: secondPin.value,
  });
</script>

<template>
  <div v-if="r.how" class="px-5 py-5" data-released>
    <h2 class="text-[28px] font-bold">{{ r.words }}</h2>
    <p class="mt-1 text-[18px]">
      {{ r.by }} ({{ r.proof }}), {{ moment(r.at) }}<template v-if="r.said">; {{ r.said }}</template>
    </p>
    <RouterLink v-if="!view.job.closed" class="control control-main mt-4" :to="`/jobs/${view.job.id}/receive`"
      >Close the job</RouterLink
    >
  </div>
  <p v-else-if="view.job.closed" class="px-5 py-5 text-[20px]">
    This job was closed without a release: it was written before units were released.
  </p>
  <form
    v-else
    class="grid gap-x-8 gap-y-4 px-5 py-4 lg:grid-cols-[1fr_420px]"
    data-release
    @submit.prevent="send"
  >
    <div class="min-w-0">
      <template v-for="list in lists" :key="list.title">
        <template v-if="list.points.length">
          <h2 class="zone-head mt-2" :class="list.title === 'First' ? 'text-danger' : ''">
            {{ list.title }}
          </h2>
          <ul>
            <li
              v-for="p in list.points"
              :key="p.key"
              class="flex items-center gap-3 border-b-2 border-row py-1"
              :data-left="p.key"
            >
              <span class="min-w-0 flex-1 leading-tight wrap-anywhere"
                ><strong>{{ p.label }}</strong
                >: {{ p.words }}</span
              >
              <RouterLink
                class="control min-h-11 shrink-0 px-3"
                :to="`/jobs/${view.job.id}${p.to || '/prove?zone=closed'}`"
                >Settle it</RouterLink
              >
            </li>
          </ul>
        </template>
      </template>
      <p v-if="!r.first.length && !r.may_stay.length" class="text-[20px]">
        Nothing is open.<template v-if="r.after">
          What comes after run-in is done or put off before the job is closed: {{ r.after }} to say.</template
        >
      </p>
    </div>
    <div class="flex flex-col gap-4">
      <RadioRow
        v-model="how"
        name="how"
        label="It goes out"
        stacked
        :options="[
          ['service', 'released for service'],
          ['as_it_is', 'not for service: as it is, tagged so'],
        ]"
      />
      <p>
        Proved by <strong>{{ prover || "nobody named" }}</strong> ({{
          authenticated ? "authenticated" : "named, not authenticated"
        }}).
      </p>
      <PinField
        v-if="authenticated"
        v-model="pin"
        label="Your PIN again, or your passphrase"
        name="release-pin"
      />
      <SecondPerson
        v-if="how === 'service'"
        v-model:name="second"
        v-model:pin="secondPin"
        :label="r.second_person ? 'Second person, who looked too' : 'Second person, if one looked too'"
      />
      <label v-if="how === 'as_it_is' || r.may_stay.length"
        >{{ how === "as_it_is" ? "Why, and how it is tagged" : "Why it goes with that open"
        }}<input v-model="words" class="field" name="words" maxlength="500"
      /></label>
      <button
        type="submit"
        class="control control-main min-h-[72px] text-[22px]"
        :disabled="blocked"
        data-release-it
      >
        {{
          blocked ? `${r.first.length} first` : how === "service" ? "Release it" : "Let it go out as it is"
        }}
      </button>
    </div>
  </form>
</template>
