<script setup lang="ts">
/** An account made, or changed: role, a passphrase set anew, ended. */
import { computed, onMounted, reactive, ref } from "vue";
import type { PeopleView } from "../../api/client";
import PickBox from "../../ui/PickBox.vue";
import type { usePeople } from "./usePeople";

const props = defineProps<{
  view: PeopleView;
  person: PeopleView["people"][number] | null;
  people: ReturnType<typeof usePeople>;
}>();
const emit = defineEmits<{ done: [] }>();
const form = ref<HTMLFormElement | null>(null);
/** On a phone it opens far below the button. */
onMounted(() => {
  form.value?.scrollIntoView({ block: "nearest" });
  form.value?.querySelector<HTMLElement>("input, button")?.focus({ preventScroll: true });
});
const has = computed(() => props.person?.account ?? false);
const draft = reactive({
  name: props.person?.name ?? "",
  role: props.person?.role || "mechanic",
  passphrase: "",
});
const roles = computed(() => props.view.roles.map((r) => [r.key, r.key] as [string, string]));
async function send() {
  const p = props.person;
  const sent = has.value
    ? await props.people.change(p?.id ?? "", {
        role: draft.role as "lead",
        ...(draft.passphrase ? { passphrase: draft.passphrase } : {}),
        ...(p?.ended ? { ended: false } : {}),
      })
    : await props.people.add({ ...draft, mechanic: p?.id ?? "" });
  if (sent) emit("done");
}
async function end() {
  if (await props.people.change(props.person?.id ?? "", { ended: true })) emit("done");
}
</script>

<template>
  <form ref="form" class="flex scroll-mt-4 flex-col gap-4" data-account-form @submit.prevent="send">
    <h2 class="zone-head">{{ has ? `${person?.name}: account` : "An account" }}</h2>
    <label v-if="!person"
      >Name, as it goes on records<input
        v-model="draft.name"
        class="field"
        name="name"
        required
        maxlength="80"
        autocomplete="off"
    /></label>
    <PickBox v-model="draft.role" name="role" label="May do" :options="roles" />
    <p class="text-[16px] text-secondary">{{ view.roles.find((r) => r.key === draft.role)?.words }}</p>
    <label
      >{{ has ? "A new passphrase (empty: as it is)" : "First passphrase, to be changed by them"
      }}<input
        v-model="draft.passphrase"
        class="field"
        name="passphrase"
        type="password"
        :required="!has || person?.ended"
        maxlength="128"
        autocomplete="new-password"
    /></label>
    <div class="flex flex-wrap gap-2">
      <button type="submit" class="control control-main">
        {{ !has ? "Make the account" : person?.ended ? "Open it again" : "Change it" }}
      </button>
      <button v-if="has && !person?.ended" type="button" class="control border-danger" data-end @click="end">
        End it
      </button>
      <button type="button" class="control" @click="$emit('done')">Not now</button>
    </div>
    <p v-if="has" class="text-[16px] text-secondary">Whoever is changed is signed out everywhere.</p>
  </form>
</template>
