import { useDocumentVisibility } from "@vueuse/core";
import { computed, onBeforeUnmount, ref, watch, type Ref } from "vue";
import { api, unwrap, type Cell, type LiveGauge, type SettingView } from "../../api/client";
import { useKept } from "../../composables/useKept";
import { usePresses, whyNot } from "./usePresses";

/** How often the gauges are asked about: a needle that is drawn so often looks alive, and a request is short. */
const EVERY_MS = 120;
/** After an answer that failed it is asked less often. */
const LATER_MS = 1000;

export interface Fill {
  id: string;
  slot: string;
  gauge: string;
  taken: string;
}

/** The gauges that talk at the live station, and at one station of another group where a second one stands: what they
 * show, and what may be taken of it. One short request serves both, and only while the page is in sight. */
export function useLive(
  setting: string,
  view: Ref<SettingView | undefined>,
  live: Ref<string | null>,
  gauge: Ref<string>,
  take: (fill: Fill) => Promise<boolean>,
) {
  const second = useKept<string>(`second.${setting}`, "");
  const heard = ref<LiveGauge[]>([]);
  const presses = usePresses();
  const used = new Map<string, { session: string; after: number; presses: number }>();
  const sight = useDocumentVisibility();
  const cells = computed(() => view.value?.sheet.cells ?? []);
  const talks = (slot: string, id: string) =>
    view.value?.stations.some((s) => s.slot === slot && s.talking.includes(id)) ?? false;
  const group = computed(() => cells.value.find((c) => c.slot === live.value)?.group);
  /** The next open station of another group: there the second gauge stands. */
  const otherSlot = computed(
    () => cells.value.find((c) => isOpen(c) && c.group !== group.value && c.slot !== live.value)?.slot ?? "",
  );
  const couldBeSecond = computed(() => {
    const at = view.value?.stations.find((s) => s.slot === otherSlot.value);
    return at?.could.filter(([id]) => id !== gauge.value && at.talking.includes(id ?? "")) ?? [];
  });
  const stations = computed(() => {
    const found: { slot: string; gauge: string }[] = [];
    if (live.value && talks(live.value, gauge.value)) found.push({ slot: live.value, gauge: gauge.value });
    const other = second.value && second.value !== gauge.value && talks(otherSlot.value, second.value);
    if (found.length && other) found.push({ slot: otherSlot.value, gauge: second.value });
    return found;
  });
  const here = computed(() => heard.value.find((g) => g.gauge === gauge.value && stations.value.length));
  const there = computed(() =>
    heard.value.find((g) => g.gauge === second.value && stations.value.length > 1),
  );

  let timer = 0;
  let stopped = false;
  let asking = false;
  const taken = new Set<string>();
  const next = (ms: number) => {
    window.clearTimeout(timer);
    if (!stopped && stations.value.length && sight.value === "visible") timer = window.setTimeout(ask, ms);
  };
  /** One question at a time: two would both be told of the same pry. */
  async function ask() {
    if (asking) return;
    asking = true;
    const ok = await heardNow();
    asking = false;
    next(ok ? EVERY_MS : LATER_MS);
  }
  async function heardNow(): Promise<boolean> {
    const at = stations.value.map(({ slot, gauge: id }) => {
      const seen = used.get(id);
      return [slot, id, ...(seen ? [seen.session, Math.max(seen.after, 0), seen.presses] : [])].join("~");
    });
    try {
      const answer = await unwrap(
        api.GET("/api/settings/{setting_id}/live", {
          params: { path: { setting_id: setting }, query: { at } },
        }),
      );
      heard.value = answer.gauges;
      for (const one of answer.gauges) await use(one);
      return true;
    } catch (error) {
      heard.value = heard.value.map((one) => unheard(one, whyNot(error)));
      return false;
    }
  }
  /** What came since is taken once, in its order; what was there before this page looked is not. */
  async function use(one: LiveGauge) {
    const seen = used.get(one.gauge);
    if (seen?.session !== one.session) {
      used.set(one.gauge, {
        session: one.session,
        after: Math.max(one.number - 1, 0),
        presses: one.presses,
      });
      return;
    }
    seen.presses = one.presses;
    for (const no of one.refused) presses.refuse(one.gauge, no.words);
    for (const found of one.takes) {
      seen.after = Math.max(seen.after, found.number);
      if (!one.refused.length) presses.settle(one.gauge);
      if (taken.has(found.id)) continue;
      taken.add(found.id);
      for (const fill of found.fills)
        await take({ id: fill.id, slot: fill.slot, gauge: one.gauge, taken: found.id });
    }
  }
  /** What happened while nobody looked belongs to no station. */
  watch(
    () => stations.value.length > 0 && sight.value === "visible",
    (looks) => {
      if (!looks) used.clear();
    },
  );
  watch([stations, sight], () => next(0), { immediate: true });
  onBeforeUnmount(() => {
    stopped = true;
    window.clearTimeout(timer);
  });

  /** Does what a pedal does, at every gauge that is listened to; false where there is none. */
  function press(): boolean {
    for (const { gauge: id } of stations.value) presses.press(id, used.has(id));
    return stations.value.length > 0;
  }
  const hearSecond = (id: string | string[]) => (second.value = String(id));
  const { refused, meanUnit } = presses;
  return { here, there, second, hearSecond, couldBeSecond, refused, press, meanUnit };
}

/** A needle that nobody hears any more must not look alive. */
function unheard(one: LiveGauge, words: string): LiveGauge {
  return {
    ...one,
    shown: "",
    at: null,
    takes: [],
    says: { ...one.says, state: "unreachable", words, asks: [] },
  };
}

function isOpen(cell: Cell): boolean {
  return cell.accepts === "scalar" && !cell.entries.length && !cell.blocked;
}
