import { computed, reactive, ref, watch } from "vue";
import type { Cell, Expectation } from "../../api/client";
import { actor, useMechanics } from "../../composables/useActor";
import { begins } from "../../composables/useKeys";
import type { SettingDesk } from "./useSetting";
import { useFlankPaint } from "./useFlankPaint";
import { takenAbove } from "./layouts";
import { useLive, type Fill } from "./useLive";
import { useStationGauge } from "./useStationGauge";
import { useTyped } from "./useTyped";

export type Take = { text?: string; value?: unknown };
export type Panel = "log" | "working" | "move" | "recount" | "surprise" | "sign" | "given" | "cautions";

/** Stations whose reading is typed; the others are taken at their own drawing. */
const TYPED = ["scalar", "between", "time"];

/** What the page of a setting has open, which station is live, and what the main button does. */
export function useSetPage(setting: string, desk: SettingDesk, toRecord: () => void) {
  const { view, problem, busy } = desk;
  const { data: mechanics } = useMechanics();
  const picked = ref<string | null>(null);
  const panel = ref<Panel>("log");
  const preview = ref<Expectation | null>(null);
  const cautionsRead = ref(false);

  const sheet = computed(() => view.value?.sheet);
  const asked = computed(() =>
    sheet.value?.cells.find((c) => c.status === "asked" || c.status === "contested"),
  );
  /** The headline asks for what is in now: what is typed goes there. */
  const packAsked = computed(
    () => sheet.value !== undefined && !sheet.value.state_known && !sheet.value.stop && !asked.value,
  );
  /** The station that takes the keyboard: none while something is asked, a caution is still unread, or the
   * headline asks for the pack. */
  const live = computed(() => {
    if (shownPanel.value === "cautions" || (asked.value && !picked.value)) return null;
    return picked.value ?? (packAsked.value ? null : (sheet.value?.next ?? null));
  });
  const typing = useTyped(setting, live);
  const reader = useStationGauge(setting, view, live);
  /** What was sent again and taken then stands at its station: it is typed no more. */
  watch(sheet, (now) => {
    for (const [slot, text] of typing.left.value) {
      const cell = now?.cells.find((c) => c.slot === slot);
      if (cell?.entries.some((e) => e.as_typed === text)) typing.letGo(slot);
    }
  });
  /** The first digit of a pack that was begun at the page. */
  const seed = ref("");
  const liveCell = computed(() => sheet.value?.cells.find((c) => c.slot === live.value));
  const flank = useFlankPaint(
    setting,
    computed(() => sheet.value?.round ?? 1),
    liveCell,
  );
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
  /** Why no station takes a reading now, in a few words. */
  const standing = computed(() => {
    if (shownPanel.value === "cautions") return "Read the cautions first.";
    if (packAsked.value) return "First what is in now: type it, or tap a station to read before.";
    return sheet.value?.cells.length ? "All stations read." : "Nothing can be read here.";
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
    typing.clear();
    panel.value = "log";
    picked.value = null;
    preview.value = null;
    seed.value = "";
  }
  const reason = computed(() => {
    if (shownPanel.value === "cautions") return "Read the cautions first, then type it again.";
    if (asked.value) return "Answer first what is asked, then type it again.";
    if (panel.value !== "log" && panel.value !== "working")
      return "Close what is open first, then type it again.";
    if (signed.value) return "It is signed. Re-seat to read a new round.";
    return "No station is open. Tap one to correct it, or re-seat for a new round.";
  });
  /** A key that no field took: a number begun where the pack is asked for opens the pack; any other is refused. */
  function stray(key: string): boolean {
    if (liveTakes.value) return false;
    if (packAsked.value && shownPanel.value !== "cautions" && panel.value === "log" && begins(key)) {
      seed.value = key;
      panel.value = "move";
      return true;
    }
    return typing.strayed(key, reason.value);
  }
  /** Takes the live station's reading: what was typed, or what its own drawing gives. */
  async function take(what: Take = { text: typing.typed.value.trim() }) {
    const cell = liveCell.value;
    if (!cell || (what.value === undefined && !what.text)) return;
    if (what.value !== undefined) {
      if (!busy.value) await send(cell, what);
      return;
    }
    const ok = await typing.through(cell.slot, what.text ?? "", (text) => send(cell, { text }));
    const behind = ok ? typing.next() : undefined;
    if (!behind) return;
    if (liveTakes.value) await take({ text: behind });
    else typing.refuse(behind, reason.value);
  }
  /** What a gauge that talks took: into its own cell, where that is still open or is being corrected. */
  async function takeFrom(fill: Fill): Promise<boolean> {
    const cell = sheet.value?.cells.find((c) => c.slot === fill.slot);
    const old = cell?.entries.at(-1);
    if (!cell || working.value || panel.value === "given" || shownPanel.value === "cautions") return false;
    if (old && picked.value !== cell.slot) return false;
    const ok = await desk.entry(old ? { ...fill, supersedes: old.id } : fill);
    if (ok && picked.value === cell.slot) picked.value = packAsked.value ? (sheet.value?.next ?? null) : null;
    return ok;
  }
  async function send(cell: Cell, what: Take): Promise<boolean> {
    const old = cell.entries.at(-1);
    const more = old && picked.value ? { supersedes: old.id } : {};
    const ok = await desk.entry({ slot: cell.slot, ...what, ...more, ...reader.sent.value });
    if (ok) picked.value = null;
    if (ok && cell.accepts === "paint") flank.letGo();
    return ok;
  }
  async function done(states: Record<string, unknown>, remark: string, written: () => void) {
    const ok =
      panel.value === "recount"
        ? await desk.explain("recounted", remark, states)
        : await desk.act(sheet.value?.state_known ? "move" : "as_found", states, remark);
    if (!ok) return;
    written();
    close();
  }
  async function answer(cause: string, words: string) {
    if (cause === "recounted") panel.value = "recount";
    else if (cause === "reread" || cause === "soft" || cause === "unexplained")
      await desk.explain(cause, words);
  }
  async function sign(remark: string, pin: string) {
    if (await desk.sign(remark, pin)) close();
  }
  async function give(given: Record<string, unknown>) {
    if (await desk.give(given)) close();
  }
  const show = (shown: Expectation | null) => void (preview.value = shown);
  const pick = (slot: string) => void (picked.value = slot);
  const type = (text: string) => void (typing.typed.value = text);
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
  /** A field stands open that digits go to. */
  const liveTakes = computed(
    () => (typedHere.value && !working.value && panel.value !== "given") || takesPack.value,
  );
  const takesPack = computed(() => ["move", "recount"].includes(panel.value));
  const main = computed(() => {
    const s = sheet.value;
    if (!s) return null;
    if (shownPanel.value === "cautions") return { label: "Read", run: () => (cautionsRead.value = true) };
    if (!s.state_known) return { label: "Enter it", run: openMove };
    if (liveCell.value?.accepts === "confirm")
      return { label: "Take it", run: () => void take({ value: true }) };
    if (flank.painted.value && takenAbove(s.layout) === "paint")
      return { label: "Take it", run: () => void take(flank.sent()) };
    if (live.value) return typedHere.value ? { label: "Take it", run: () => void take() } : null;
    if (s.surprise || asked.value) return null;
    if (signed.value) return { label: "Record", run: () => toRecord() };
    const advised = s.move?.best && (!s.move.stay || s.move.stay === "loosen");
    if (advised) return { label: "Do the move", run: openMove };
    const outside = s.verdict.code.startsWith("out") && (view.value?.knobs.length ?? 0) > 0;
    if (s.sign_blockers.length || outside) return { label: "What you did", run: openMove };
    return { label: "Sign", run: toggle("sign") };
  });

  const heard = useLive(setting, view, live, reader.gauge, takeFrom);

  return reactive({
    view,
    sheet,
    ...typing,
    seed,
    stray,
    picked,
    panel,
    preview,
    paint: flank.paint,
    paintOn: (mask: number[][]) => void (flank.paint.value = mask),
    cautionsRead,
    asked,
    live,
    liveCell,
    name,
    shownPanel,
    standing,
    station: reader.station,
    gauge: reader.gauge,
    gaugeName: reader.name,
    heard,
    takeFrom,
    readWith: (id: string) => void (reader.gauge.value = id),
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
    pick,
    type,
  });
}

export type SetPageState = ReturnType<typeof useSetPage>;
