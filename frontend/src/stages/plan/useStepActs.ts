import { computed, reactive, ref, type Ref } from "vue";
import type { StepView } from "../../api/client";
import type { PlanDesk } from "./usePlan";

export type Asking = "" | "differently" | "skipped" | "wrong" | "despite";

/** What is done at one step, each act written down as it happens. */
export function useStepActs(desk: PlanDesk, step: Ref<StepView | undefined>) {
  const asking = ref<Asking>("");
  const said = reactive({ words: "", second: "", pin: "" });
  const needsSecond = ref(false);
  /** The step just put something turning in: the free turn is owed. */
  const turning = computed(() => {
    const view = desk.view.value;
    const s = step.value;
    if (!view || !s?.turn || view.turn_owed !== s.turn) return false;
    const last = [...view.steps]
      .filter((x) => x.at)
      .sort((a, b) => a.at.localeCompare(b.at))
      .at(-1);
    return last?.key === s.key;
  });
  const key = () => step.value?.key ?? "";
  async function work(body: Record<string, unknown>, pin = ""): Promise<boolean> {
    const ok = await desk.write("step_worked", { step: key(), ...body }, pin);
    const field = desk.problem.value?.field;
    if (!ok && (field === "despite" || field === "second")) {
      asking.value = "despite";
      needsSecond.value = needsSecond.value || field === "second";
    }
    return ok;
  }
  async function run(): Promise<void> {
    const act = step.value?.act;
    if (!act) return;
    if (act.sort === "way_round" || act.sort === "hole" || act.sort === "hold")
      await desk.write("seen_right", { step: key(), what: act.sort });
    else if (act.sort === "look") await desk.write("seen_right", { step: key(), what: "check" });
    else if (act.sort === "bead") await desk.write("clock_begun", { step: key(), what: "sealant" });
    else if (act.sort === "skinned") {
      await desk.write("bolts_tight", { step: key(), turns: 0 });
      await desk.write("clock_begun", { step: key(), what: "sealant" });
    } else if (act.sort === "bolt") await desk.write("bolts_tight", { step: key(), turns: act.turns });
    else if (act.sort === "do" || act.sort === "start") await work({});
  }
  async function backOne(): Promise<void> {
    const done = step.value?.torque?.done ?? 0;
    if (done > 0) await desk.write("bolts_tight", { step: key(), turns: done - 1 });
  }
  function ask(what: Asking): void {
    Object.assign(said, { words: "", second: "", pin: "" });
    asking.value = what;
  }
  function stopAsking(): void {
    asking.value = "";
    desk.letGo();
  }
  async function answer(): Promise<void> {
    if (desk.busy.value) return;
    const { words, second, pin } = said;
    const ok =
      asking.value === "wrong"
        ? await desk.write("seen_right", { step: key(), what: step.value?.act.sort, right: false, words })
        : asking.value === "despite"
          ? await work({ despite: words, second }, pin)
          : await work({ how: asking.value, words });
    if (ok) asking.value = "";
  }
  const turned = (feel: string) => desk.write("turned", { shaft: step.value?.turn, feel, after: key() });
  const { problem, letGo } = desk;
  return {
    asking,
    said,
    needsSecond,
    turning,
    run,
    backOne,
    ask,
    stopAsking,
    answer,
    turned,
    problem,
    letGo,
  };
}

export type StepActs = ReturnType<typeof useStepActs>;
