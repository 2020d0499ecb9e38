<script setup lang="ts">
import type { RecordSetting } from "../../api/client";
import SceneMark from "../../marks/SceneMark.vue";
import VerdictTag from "../../marks/VerdictTag.vue";
import SealLine from "../../ui/SealLine.vue";
import WorkingPanel from "../../ui/WorkingPanel.vue";
import { useYard } from "../../composables/useYard";

defineProps<{ setting: RecordSetting }>();
const { moment: day } = useYard();
</script>

<template>
  <article class="border-b-2 px-5 py-4" data-record-setting>
    <header class="flex flex-wrap items-center gap-4">
      <h2 class="text-[22px] font-bold">{{ setting.label }}</h2>
      <VerdictTag :code="setting.sheet.verdict.code" :words="setting.sheet.verdict.words" />
      <p v-if="setting.signature" class="text-secondary">
        Signed by {{ setting.signature.by }} ({{ setting.signature.proof }}), {{ day(setting.signature.at)
        }}<template v-if="setting.signature.disturbed"> · disturbed since: read again</template>.
        {{ setting.signature.remark }}
        <template v-if="setting.signature.not_held.length">
          An older signature: it does not hold {{ setting.signature.not_held.join(", ") }}.
        </template>
      </p>
    </header>
    <SealLine :broken="setting.signature?.broken ?? []" />
    <dl class="mt-2 grid max-w-[900px] grid-cols-[100px_1fr] gap-x-4 text-[18px]">
      <dt class="text-secondary">As found</dt>
      <dd class="font-semibold">{{ setting.as_found }}</dd>
      <dt class="text-secondary">As left</dt>
      <dd class="font-semibold">{{ setting.as_left }}</dd>
    </dl>
    <div class="mt-3 max-w-[1000px]">
      <SceneMark
        v-for="(s, i) in setting.sheet.scenes.filter((x) => x.type !== 'pack')"
        :key="i"
        :scene="s"
        :gutter="134"
      />
    </div>
    <WorkingPanel :results="setting.sheet.outcome.results" class="mt-3" />
    <p v-for="u in setting.sheet.unverified" :key="u" class="mt-2 font-semibold">Not verified: {{ u }}</p>
    <p v-for="u in setting.sheet.temporary" :key="u" class="mt-2 font-semibold">
      Temporary, out before Prove: {{ u }}
    </p>
    <div class="mt-4 grid gap-6 xl:grid-cols-2">
      <table class="w-full self-start text-left text-[16px]">
        <caption class="zone-head text-left">
          What was done
        </caption>
        <tbody>
          <tr v-for="a in setting.acts" :key="a.seq" class="border-b border-row max-sm:flex max-sm:flex-wrap">
            <td class="py-1 pr-3">Round {{ a.round }}</td>
            <td class="pr-3 font-semibold">{{ a.words }} {{ a.remark }}</td>
            <td class="pr-3">{{ a.by }}</td>
            <td>{{ day(a.at) }}</td>
          </tr>
        </tbody>
      </table>
      <table class="w-full self-start text-left text-[16px]">
        <caption class="zone-head text-left">
          Readings, as typed or taken
        </caption>
        <tbody>
          <tr
            v-for="e in setting.entries"
            :key="e.seq"
            class="border-b border-row max-sm:flex max-sm:flex-wrap"
            :class="e.fate === 'stands' ? '' : 'text-secondary line-through'"
          >
            <td class="py-1 pr-3">Round {{ e.round }}</td>
            <td class="pr-3">{{ e.label }}</td>
            <td class="pr-3 font-semibold">
              {{ e.as_typed }}<span v-if="e.taken" class="block text-[14px] font-normal">{{ e.taken }}</span>
            </td>
            <td class="pr-3">{{ e.by }}</td>
            <td>{{ day(e.at) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-for="x in setting.explanations" :key="x" class="mt-2">{{ x }}</p>
  </article>
</template>
