<script setup lang="ts">
/** Who is at the bench: with a PIN where the device is known, with the passphrase anywhere; the owner of a new yard
 * first. What was typed on the page beneath stays there. */
import { computed, reactive, ref } from "vue";
import { api, unwrap, type MeView } from "../../api/client";
import { useSending } from "../../composables/useSending";
import PinPad from "./PinPad.vue";

const props = defineProps<{ me: MeView }>();
const emit = defineEmits<{ in: [me: MeView] }>();
const draft = reactive({ name: "", passphrase: "", again: "", device: "" });
const remember = ref(false);
const phrase = ref(false);
const owner = computed(() => props.me.asks === "owner");
const byPin = computed(() => !owner.value && props.me.bench.length > 0 && !phrase.value);
const { trouble, send, busy } = useSending();
const differs = computed(() => owner.value && draft.again !== "" && draft.again !== draft.passphrase);
const enter = () =>
  send(async (header) => {
    const { name, passphrase } = draft;
    const params = { header };
    const device = remember.value ? draft.device : "";
    const me = owner.value
      ? await unwrap(api.POST("/api/owner", { params, body: { name, passphrase } }))
      : await unwrap(api.POST("/api/sign-ins", { params, body: { name, passphrase, device } }));
    Object.assign(draft, { passphrase: "", again: "" });
    emit("in", me);
  });
const enterByPin = (mechanic: string, pin: string) =>
  send(async (header) => {
    emit("in", await unwrap(api.POST("/api/sign-ins/pin", { params: { header }, body: { mechanic, pin } })));
  });
</script>

<template>
  <div class="flex min-h-full flex-col" data-sign-in>
    <header class="flex min-h-16 items-center border-b-2 bg-bay px-5">
      <p class="text-[18px] font-bold">Bornek</p>
    </header>
    <main class="grid flex-1 wrap-anywhere content-start gap-8 px-5 py-8 lg:grid-cols-[1fr_440px]">
      <div>
        <h1 class="say">
          {{ owner ? "This yard is new." : byPin ? "Who is at the bench?" : "Sign in." }}
        </h1>
        <p class="mt-4 max-w-[560px] text-[18px]">
          <template v-if="owner"
            >Whoever makes the first account is its owner: looks after people, devices, backups and the
            archive.</template
          >
          <template v-else-if="byPin"
            >This is {{ me.device }}, where a PIN will do. Your name, then your PIN.</template
          >
          <template v-else>Name and passphrase. What you typed before is kept where it was.</template>
        </p>
        <p v-if="!owner && !me.owned" class="mt-4 max-w-[560px] border-l-4 pl-3 text-[18px]" data-no-owner>
          This yard has no accounts yet. Its owner is made at the yard's own machine.
        </p>
      </div>
      <div class="flex flex-col gap-4">
        <PinPad v-if="byPin" :people="me.bench" :busy="busy" :trouble="trouble" @pin="enterByPin" />
        <form v-else class="flex flex-col gap-4" @submit.prevent="enter">
          <label
            >Name, as it is on the records<input
              v-model="draft.name"
              class="field"
              name="name"
              required
              maxlength="80"
              autocomplete="username"
          /></label>
          <label
            >Passphrase<input
              v-model="draft.passphrase"
              class="field"
              type="password"
              name="passphrase"
              required
              maxlength="128"
              :autocomplete="owner ? 'new-password' : 'current-password'"
          /></label>
          <label v-if="owner"
            >Once more<input
              v-model="draft.again"
              class="field"
              type="password"
              name="again"
              required
              maxlength="128"
              autocomplete="new-password"
          /></label>
          <p v-if="owner" class="text-[16px] text-secondary">
            At least 12 letters: three or four words of your own are easy to keep.
          </p>
          <p v-if="differs" class="font-bold text-danger">The two are not the same.</p>
          <template v-if="!owner">
            <label class="flex min-h-11 items-center gap-3"
              ><input v-model="remember" type="checkbox" class="h-6 w-6 accent-found" name="remember" />This
              device stays at the bench: a PIN will do here</label
            >
            <label v-if="remember"
              >What it is called<input
                v-model="draft.device"
                class="field"
                name="device"
                required
                maxlength="80"
                placeholder="Tablet, bench 2"
                autocomplete="off"
            /></label>
          </template>
          <p v-if="trouble" role="alert" class="font-bold text-danger">{{ trouble }}</p>
          <button
            type="submit"
            class="control control-main min-h-[64px] text-[20px]"
            :disabled="busy || differs"
          >
            {{ owner ? "Make this yard mine" : "Sign in" }}
          </button>
        </form>
        <button
          v-if="!owner && me.bench.length"
          type="button"
          class="control"
          data-other-way
          @click="phrase = !phrase"
        >
          {{ phrase ? "With a PIN" : "With the passphrase" }}
        </button>
      </div>
    </main>
  </div>
</template>
