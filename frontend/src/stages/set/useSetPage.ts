import { computed, reactive, ref } from "vue";
import type { Expectation } from "../../api/client";
import { actor, useMechanics } from "../../composables/useActor";
import type { SettingDesk } from "./useSetting";

export type Take = { text?: string; value?: unknown };
export type Panel = "log" | "working" | "move" | "recount" | "surprise" | "sign" | "given" | "cautions";

/** Stations whose reading is typed; the others are taken at their own drawing. */
const TYPED = ["scalar", "between", "time"];

/** What the page of a setting has open, which station is live, and what the main button does. */
export function useSetPage(desk: SettingDesk, toRecord: () => void) {
  const { view, problem, busy } = desk;
  const { data: mechanics } = useMechanics();
  const typed = ref("");
  const picked = ref<string | null>(null);
  const panel = ref<Panel>("log");
  const preview = ref<Expectation | null>(null);
  const cautionsRead = ref(false);

  const sheet = computed(() => view.value?.sheet);
  const asked = computed(() =>
    sheet.value?.cells.find((c) => c.status === "asked" || c.status === "contested"),
  );
  /** The station that takes the keyboard: none while something is asked, or a caution is still unread. */
  const live = computed(() => {
    if (shownPanel.value === "cautions" || (asked.value && !picked.value)) return null;
    return picked.value ?? sheet.value?.next ?? null;
  });
  const liveCell = computed(() => sheet.value?.cells.find((c) => c.slot === live.value));
  const name = computed(() => mechanics.value?.find((m) => m.id === actor.value)?.name ?? "");
  const fresh = computed(
    () =>
      sheet.value !== undefined &&
      sheet.value.round === 1 &&
      sheet.value.cells.every((c) => !c.entries.length),
  );
  const shownPanel = computed<Panel>(() => {
    if (panel.value !== "log") return panel.value;
    if (fresh.value && !cautionsRead.value) return "cautions";
    return sheet.value?.surprise ? "surprise" : "log";
  });
  const taken = computed(() => sheet.value?.cells.filter((c) => c.status === "taken").length ?? 0);
  const eyebrow = computed(() => {
    if (!sheet.value) return "";
    if (preview.value) {
      const proposed = preview.value.option.label === sheet.value.move?.best?.label;
      return proposed ? "The proposed move" : "Your own move";
    }
    const what = signed.value ? "As signed" : "Next move";
    return taken.value ? `${what}, on ${taken.value} of ${sheet.value.cells.length} readings` : what;
  });
  const working = computed(() => ["move", "recount", "sign"].includes(panel.value));
  const signed = computed(() => {
    const mark = view.value?.signature;
    return mark && !mark.disturbed ? mark : null;
  });
  const fieldProblems = computed(
    () => (problem.value?.details as { fields?: Record<string, string> } | undefined)?.fields ?? {},
  );

  function close() {
    if (typed.value) typed.value = "";
    panel.value = "log";
    picked.value = null;
    preview.value = null;
  }
  /** Takes the live station's reading: what was typed, or what its own drawing gives. */
  async function take(what: Take = { text: typed.value.trim() }) {
    const cell = liveCell.value;
    if (!cell || busy.value || (what.value === undefined && !what.text)) return;
    const old = cell.entries.at(-1);
    const more = old && picked.value ? { supersedes: old.id } : {};
    if (!(await desk.entry({ slot: cell.slot, ...what, ...more }))) return;
    typed.value = "";
    picked.value = null;
  }
  async function done(states: Record<string, unknown>, remark: string) {
    const ok =
      panel.value === "recount"
        ? await desk.explain("recounted", remark, states)
        : await desk.act(sheet.value?.state_known ? "move" : "as_found", states, remark);
    if (ok) close();
  }
  async function answer(cause: string, words: string) {
    if (cause === "recounted") panel.value = "recount";
    else if (cause === "reread" || cause === "soft" || cause === "unexplained")
      await desk.explain(cause, words);
  }
  async function sign(remark: string) {
    if (await desk.sign(remark)) close();
  }
  async function give(given: Record<string, unknown>) {
    if (await desk.give(given)) close();
  }
  const show = (shown: Expectation | null) => void (preview.value = shown);
  const readCautions = () => void (cautionsRead.value = true);
  const pick = (slot: string) => void (picked.value = slot);
  const type = (text: string) => void (typed.value = text);
  const reseat = () => void desk.act("reseat", {});
  const toggle = (which: Panel) => () => (panel.value = panel.value === which ? "log" : which);
  const openMove = () => (panel.value = sheet.value?.surprise ? "log" : "move");
  function correctLast() {
    const last = sheet.value?.cells
      .filter((c) => c.status === "taken")
      .sort((a, b) => (a.entries[0]?.seq ?? 0) - (b.entries[0]?.seq ?? 0))
      .at(-1);
    if (last) picked.value = last.slot;
  }
  const typedHere = computed(() => TYPED.includes(liveCell.value?.accepts ?? ""));
  const main = computed(() => {
    const s = sheet.value;
    if (!s) return null;
    if (shownPanel.value === "cautions") return { label: "Read", run: () => (cautionsRead.value = true) };
    if (!s.state_known) return { label: "Enter it", run: openMove };
    if (liveCell.value?.accepts === "confirm")
      return { label: "Take it", run: () => void take({ value: true }) };
    if (live.value) return typedHere.value ? { label: "Take it", run: () => void take() } : null;
    if (s.surprise || asked.value) return null;
    if (signed.value) return { label: "Record", run: () => toRecord() };
    if (!s.sign_blockers.length && (!s.move?.best || (s.move.stay && s.move.stay !== "loosen")))
      return { label: "Sign", run: toggle("sign") };
    return { label: "Do the move", run: openMove };
  });

  return reactive({
    view,
    sheet,
    typed,
    picked,
    panel,
    preview,
    cautionsRead,
    asked,
    live,
    liveCell,
    name,
    shownPanel,
    eyebrow,
    working,
    signed,
    fieldProblems,
    main,
    close,
    take,
    done,
    answer,
    sign,
    give,
    reseat,
    toggle,
    openMove,
    correctLast,
    show,
    readCautions,
    pick,
    type,
  });
}

export type SetPageState = ReturnType<typeof useSetPage>;
