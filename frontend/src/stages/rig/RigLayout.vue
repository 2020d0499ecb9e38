<script setup lang="ts">
/** A rig: dial and lever on the left, the score and the setting on the right, the cloth below. */
import { computed, ref, watch } from "vue";
import { newId } from "../../api/client";
import { useKeys } from "../../composables/useKeys";
import LadderMark from "../../marks/LadderMark.vue";
import PackMark from "../../marks/PackMark.vue";
import ReadoutMark from "../../marks/ReadoutMark.vue";
import SceneMark from "../../marks/SceneMark.vue";
import PanelStack from "../set/PanelStack.vue";
import { useScenes } from "../set/useScenes";
import type { SettingDesk } from "../set/useSetting";
import type { SetPageState } from "../set/useSetPage";
import RigBlades from "./RigBlades.vue";
import RigCloth from "./RigCloth.vue";
import RigDial from "./RigDial.vue";
import RigLever from "./RigLever.vue";
import RigLooks from "./RigLooks.vue";
import RigPrint from "./RigPrint.vue";
import RigScore from "./RigScore.vue";
import { useLever, type RigDesk } from "./useRig";

const props = defineProps<{ page: SetPageState; desk: SettingDesk; rig: RigDesk }>();
const looking = defineModel<boolean>("looking", { required: true });
const { of, shown, rest } = useScenes(props.page);
/** The thing itself, or its two flanks: the bay holds no more. */
const MOST_DRAWN = 2;
const packs = computed(() => shown("pack"));
const strips = computed(() => of("readout"));
const logs = computed(() =>
  of("readout")[0]?.needle || (props.page.sheet?.round ?? 1) > 1 ? of("log") : [],
);
const looks = ref<InstanceType<typeof RigLooks> | null>(null);
const lever = useLever(
  computed(() => props.page.live),
  computed(() => props.page.sheet?.round ?? 1),
);
const { push, needle, dial, station, bent } = lever;
const view = props.rig.rig;
function takePrint() {
  const seen = station.value?.paint;
  if (seen && !props.desk.busy.value) void props.page.take({ value: seen });
}
/** The gauge takes it: the trace of this pull goes into the cell, as any gauge's that talks. */
async function takeIt() {
  const slot = props.page.live;
  if (!slot) return;
  const found = await props.rig.taken(slot, lever.pulls.value, push.value);
  if (found) await props.page.takeFrom({ id: newId(), slot, gauge: found.gauge, taken: found.id });
}
/** Every reading, move and signature may change what the rig says. */
watch(() => props.page.view?.version, props.rig.refresh);
watch(() => props.page.signed, props.rig.refresh);
useKeys((event) => {
  if (looking.value && event.key === "Escape") {
    looking.value = false;
    return true;
  }
  if (event.key === " " && station.value?.paint && !looking.value) {
    takePrint();
    return true;
  }
  if (event.key === " " && dial.value && !looking.value) {
    void takeIt();
    return true;
  }
  if (event.key !== "ArrowDown" && event.key !== "ArrowUp") return false;
  if (looking.value) return looks.value?.step(event.key === "ArrowDown" ? 1 : -1) ?? false;
  if (!dial.value || props.page.working) return false;
  lever.step(event.key === "ArrowDown" ? 1 : -1);
  return true;
});
</script>

<template>
  <div v-if="page.view && page.sheet && view" class="contents" data-layout="rig">
    <section class="bg-bay px-5 py-3 md:row-start-1 md:border-r-2 lg:col-start-1 lg:row-span-2">
      <template v-if="dial">
        <RigDial
          :needle="needle"
          :push="push"
          :division="dial.division"
          :unit="dial.unit"
          :turn="dial.turn"
          :lies="bent"
        />
        <RigLever
          class="mt-2 border-t-2 pt-2"
          :push="push"
          :most="dial.most"
          :same="dial.same_push"
          :bent="bent"
          @pull="lever.pull"
          @step="lever.step"
          @take="takeIt"
        />
        <p v-if="rig.trouble.value" role="alert" class="mt-1 font-bold text-danger">
          {{ rig.trouble.value }}
        </p>
      </template>
      <RigPrint
        v-else-if="station?.paint"
        :key="`print.${page.live}`"
        :paint="station.paint"
        :label="page.liveCell?.label ?? ''"
        @take="takePrint"
      />
      <RigBlades v-else-if="station?.blades.length" :key="page.live ?? ''" :blades="station.blades" />
      <template v-else>
        <h2 class="zone-head">{{ page.liveCell?.label ?? page.view.label }}</h2>
        <p class="mt-2 text-[22px] leading-snug font-semibold" aria-live="polite" data-seen>
          {{ station?.words || page.standing }}
        </p>
        <SceneMark v-for="(s, i) in rest.slice(0, MOST_DRAWN)" :key="i" class="mt-3" :scene="s" />
        <PackMark v-for="p in packs" :key="p.title" class="mt-3" :scene="p" :height="200" />
      </template>
    </section>
    <section class="flex min-w-0 flex-col lg:col-start-2 lg:row-start-1">
      <RigScore :score="view.score" />
      <RigCloth
        :cloth="view.cloth"
        again="/practice"
        under="its answer, its scatter, its give, one thing wrong"
        when="sign"
      />
      <div class="flex min-w-0 flex-1 flex-col px-5 py-2">
        <RigLooks
          v-if="looking"
          ref="looks"
          :looks="view.looks"
          :trouble="rig.trouble.value"
          :done="view.cloth !== null"
          @look="rig.look"
          @close="looking = false"
        />
        <template v-else>
          <template v-if="!page.working">
            <ReadoutMark v-for="s in strips" :key="s.label" :scene="s" :gutter="134" compact />
          </template>
          <PanelStack :page="page" :desk="desk">
            <SceneMark v-for="l in logs" :key="l.label" :scene="l" :gutter="134" />
            <LadderMark v-for="l in of('ladder')" :key="l.label" :scene="l" :gutter="134" />
          </PanelStack>
        </template>
      </div>
    </section>
  </div>
</template>
