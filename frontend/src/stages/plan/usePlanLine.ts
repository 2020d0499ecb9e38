import { computed, ref, type Ref } from "vue";
import type { FindingView, PlanView, StepView } from "../../api/client";

/** The line as it is shown: which step is chosen, which is in hand and where it would land. */
export function usePlanLine(view: Ref<PlanView | undefined>) {
  const picked = ref<string | null>(null);
  /** A step in hand: it stands after `after` until it is put or put back. */
  const hand = ref<{ step: string; after: string } | null>(null);
  const at = ref(0);
  const steps = computed(() => view.value?.steps ?? []);
  const finding = computed<FindingView | undefined>(() => view.value?.findings[at.value]);
  const mend = computed(() => finding.value?.mend ?? null);
  const isDone = (s: StepView) => !["ready", "held"].includes(s.state);
  const chosen = computed(() => {
    const wanted = hand.value?.step ?? picked.value ?? mend.value?.step ?? view.value?.next ?? "";
    return steps.value.find((s) => s.key === wanted) ?? null;
  });
  const landing = computed(() => hand.value ?? (picked.value ? null : mend.value));
  /** What the mend or the hand proposes, drawn as one row more where it would land. */
  const shown = computed(() => {
    const to = landing.value;
    const rows = steps.value.map((step) => ({ step, ghost: false }));
    const moving = to && steps.value.find((s) => s.key === to.step);
    if (!to || !moving) return rows;
    const n = to.after ? rows.findIndex((r) => r.step.key === to.after) + 1 : 0;
    return [...rows.slice(0, n), { step: moving, ghost: true }, ...rows.slice(n)];
  });
  const late = (s: StepView) => {
    const f = finding.value;
    const trapped = f?.code === "shut_out" && f.steps.slice(1).includes(s.key);
    const by = trapped ? steps.value.find((x) => x.key === f.steps[0]) : undefined;
    return by ? `${s.number - by.number} too late` : "";
  };
  const wanted = (s: StepView) => {
    const c = chosen.value;
    if (!c || isDone(s) || !(landing.value || hand.value)) return false;
    return s.number > c.after && (c.before === 0 || s.number < c.before) && s.key !== c.key;
  };
  const bound = (s: StepView) => {
    const c = chosen.value;
    if (!c || !landing.value) return "";
    if (s.number === c.after) return `after ${c.after}`;
    return s.number === c.before ? `before ${c.before}` : "";
  };
  function choose(by: number) {
    const open = steps.value.filter((s) => !isDone(s));
    const here = open.findIndex((s) => s.key === chosen.value?.key);
    picked.value = open[Math.min(open.length - 1, Math.max(0, here + by))]?.key ?? null;
  }
  function pick(key: string) {
    picked.value = key;
  }
  function pickUp() {
    const step = chosen.value;
    if (!step || isDone(step)) return;
    const before = steps.value[step.number - 2];
    hand.value = { step: step.key, after: before?.key ?? "" };
  }
  function shift(by: number) {
    if (!hand.value) return;
    const others = steps.value.filter((s) => s.key !== hand.value?.step);
    const here = others.findIndex((s) => s.key === hand.value?.after);
    const least = others.filter(isDone).length - 1;
    const n = Math.min(others.length - 1, Math.max(least, here + by));
    hand.value = { step: hand.value.step, after: others[n]?.key ?? "" };
  }
  function putBack() {
    hand.value = null;
    picked.value = null;
  }
  function nextFinding() {
    const n = view.value?.findings.length ?? 0;
    putBack();
    at.value = n ? (at.value + 1) % n : 0;
  }
  return {
    ...{ picked, hand, at, finding, mend, chosen, landing, shown, isDone },
    ...{ late, wanted, bound, choose, pick, pickUp, shift, putBack, nextFinding },
  };
}

export type PlanLineState = ReturnType<typeof usePlanLine>;
