<script setup lang="ts">
/** Who may sign in and what for, at which devices a PIN will do, and what was done: the owner's page. */
import { computed, ref } from "vue";
import { RouterLink } from "vue-router";
import { useYard } from "../../composables/useYard";
import WaitPage from "../../stages/WaitPage.vue";
import SendingProblem from "../../ui/SendingProblem.vue";
import ShopHeader from "../../ui/ShopHeader.vue";
import AccountForm from "./AccountForm.vue";
import { usePeople } from "./usePeople";

const people = usePeople();
const { view } = people;
const { moment } = useYard();
const open = ref<string | null>(null);
const deeds = computed(() => people.deeds.data.value ?? []);
const stands = (p: { account: boolean; ended: boolean; waits: boolean; role: string; pin: boolean }) =>
  !p.account
    ? "a name alone"
    : p.ended
      ? "ended"
      : `${p.role}${p.pin ? ", with a PIN" : ""}${p.waits ? ", waits after wrong tries" : ""}`;
const done = () => (open.value = null);
</script>

<template>
  <ShopHeader title="Who may sign in" sub="accounts, devices, and what was done by whom" />
  <WaitPage v-if="!view" bare :problem="people.query.error.value" />
  <main v-else class="grid gap-8 px-5 py-4 lg:grid-cols-[1fr_420px]">
    <div class="min-w-0">
      <section aria-label="People">
        <div class="flex items-end justify-between gap-3 border-b-2 pb-1">
          <h2 class="zone-head">People</h2>
          <button type="button" class="control px-3" data-new @click="open = ''">One more</button>
        </div>
        <ul data-accounts>
          <li
            v-for="p in view.people"
            :key="p.id"
            class="flex min-h-[52px] flex-wrap items-center gap-x-4 border-b border-row py-1"
            :data-person="p.id"
          >
            <span class="min-w-[120px] flex-1 wrap-anywhere text-[19px] font-bold">{{ p.name }}</span>
            <span class="text-[16px]" :class="p.account && !p.ended ? '' : 'text-secondary'">{{
              stands(p)
            }}</span>
            <button
              type="button"
              class="control px-3"
              :aria-label="p.account ? `Change ${p.name}` : `An account for ${p.name}`"
              @click="open = p.id"
            >
              {{ p.account ? "Change" : "Account" }}
            </button>
          </li>
        </ul>
      </section>
      <section class="mt-8" aria-label="Devices">
        <h2 class="zone-head border-b-2 pb-1">Devices of the bench, where a PIN will do</h2>
        <p v-if="!view.devices.length" class="py-3 text-[17px]">
          None yet. Whoever signs in with the passphrase can say that the device stays at the bench.
        </p>
        <ul>
          <li
            v-for="d in view.devices"
            :key="d.id"
            class="flex min-h-[52px] flex-wrap items-center gap-x-4 border-b border-row py-1"
          >
            <span class="min-w-[160px] flex-1 wrap-anywhere text-[18px] font-bold">{{ d.name }}</span>
            <span class="min-w-0 wrap-anywhere text-[16px] text-secondary"
              >{{ d.by }}, {{ moment(d.at) }}</span
            >
            <span v-if="d.ended" class="text-[16px] text-secondary">ended</span>
            <button
              v-else
              type="button"
              class="control px-3"
              :aria-label="`End ${d.name}`"
              @click="people.endDevice(d.id)"
            >
              End
            </button>
          </li>
        </ul>
      </section>
      <section class="mt-8" aria-label="What was done">
        <h2 class="zone-head border-b-2 pb-1">What was done, the last {{ deeds.length }}</h2>
        <ol data-deeds>
          <li
            v-for="d in deeds"
            :key="d.id"
            class="grid grid-cols-[150px_1fr] gap-x-4 border-b border-row py-1 text-[16px] md:grid-cols-[150px_190px_1fr]"
          >
            <span>{{ moment(d.at) }}</span>
            <span class="truncate"
              ><b>{{ d.who || "nobody signed in" }}</b
              ><template v-if="d.how === 'named'">, named</template></span
            >
            <span class="wrap-anywhere text-secondary max-md:col-span-2"
              >{{ d.what }}{{ d.about ? ": " : ""
              }}<RouterLink v-if="d.to" class="underline" :to="d.to">{{ d.about }}</RouterLink
              ><template v-else>{{ d.about }}</template
              >{{ d.device ? `, at ${d.device}` : "" }}</span
            >
          </li>
        </ol>
      </section>
      <SendingProblem :sending="people.sending" />
    </div>
    <aside class="min-w-0 wrap-anywhere lg:border-l-2 lg:pl-6">
      <AccountForm
        v-if="open !== null"
        :key="open"
        :view="view"
        :person="view.people.find((p) => p.id === open) ?? null"
        :people="people"
        @done="done"
      />
      <dl v-else class="flex flex-col gap-3">
        <div v-for="r in view.roles" :key="r.key" class="border-l-4 pl-3">
          <dt class="text-[18px] font-bold capitalize">{{ r.key }}</dt>
          <dd class="text-[16px]">{{ r.words }}</dd>
        </div>
      </dl>
    </aside>
  </main>
</template>
