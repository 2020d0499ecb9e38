<script setup lang="ts">
/** One's own PIN and passphrase. */
import { reactive, ref } from "vue";
import { api, unwrap } from "../../api/client";
import { useMe } from "../../composables/useMe";
import { useSending } from "../../composables/useSending";
import SendingProblem from "../../ui/SendingProblem.vue";
import ShopHeader from "../../ui/ShopHeader.vue";

const { me, authenticated, keep } = useMe();
const sending = useSending();
const said = ref("");
const drafts = reactive({ pin: { now: "", fresh: "" }, passphrase: { now: "", fresh: "" } });
const FORMS = [
  {
    what: "pin",
    head: "PIN",
    words: "6 to 10 digits: at a device of the bench it signs you in, and signs what you sign.",
  },
  { what: "passphrase", head: "Passphrase", words: "At least 12 letters: three or four words of your own." },
] as const;
const write = (what: "pin" | "passphrase") =>
  sending.send(async (header) => {
    const { now, fresh } = drafts[what];
    const body = { what, now, new: fresh };
    await keep(await unwrap(api.POST("/api/me/secrets", { params: { header }, body })));
    drafts[what] = { now: "", fresh: "" };
    said.value =
      what === "pin" ? "Your PIN is set." : "Your passphrase is changed; everywhere else you are signed out.";
  });
</script>

<template>
  <ShopHeader title="My PIN and passphrase" :sub="me?.name ?? ''" />
  <main class="grid gap-8 px-5 py-4 lg:grid-cols-2">
    <p v-if="!authenticated" class="text-[18px]" data-own="none">
      Nobody is signed in with an account here: this machine is trusted.
    </p>
    <form
      v-for="f in authenticated ? FORMS : []"
      :key="f.what"
      class="flex max-w-[520px] flex-col gap-4"
      :data-own="f.what"
      @submit.prevent="write(f.what)"
    >
      <h2 class="zone-head border-b-2 pb-1">{{ f.head }}</h2>
      <p>{{ f.words }}</p>
      <label
        >Passphrase as it is<input
          v-model="drafts[f.what].now"
          class="field"
          type="password"
          required
          maxlength="128"
          autocomplete="current-password"
      /></label>
      <label
        >New {{ f.head.toUpperCase() === f.head ? f.head : f.head.toLowerCase()
        }}<input
          v-model="drafts[f.what].fresh"
          class="field"
          type="password"
          required
          maxlength="128"
          :inputmode="f.what === 'pin' ? 'numeric' : 'text'"
          autocomplete="new-password"
      /></label>
      <button type="submit" class="control control-main self-start">Set it</button>
    </form>
    <p v-if="said && !sending.problem.value" role="status" class="text-[18px] font-bold">{{ said }}</p>
    <SendingProblem class="lg:col-span-2" :sending="sending" />
  </main>
</template>
