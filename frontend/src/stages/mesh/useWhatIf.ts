import { useQuery } from "@tanstack/vue-query";
import { refDebounced } from "@vueuse/core";
import { computed, ref, watch, type Ref } from "vue";
import { api, unwrap, type TriedView, type WhatIfView } from "../../api/client";
import { blend, type Rings } from "./blend";

const STILL_MS = 120;

/** Two adjusters tried out: where they stand, what that brings, the picture that follows while they move. */
export function useWhatIf(setting: Ref<string>) {
  const path = computed(() => ({ setting_id: setting.value }));
  const query = useQuery({
    queryKey: computed(() => ["what-if", setting.value]),
    queryFn: () => unwrap(api.GET("/api/settings/{setting_id}/what-if", { params: { path: path.value } })),
    refetchOnMount: "always",
    retry: false,
  });
  const view = computed(() => query.data.value);
  const at = ref<[number, number]>([0, 0]);
  const trouble = ref("");
  const rows = ref<(Rings[] | undefined)[]>([]);
  /** Pictures are made row by row, the nearest first: each is soon done, so nobody waits behind them. */
  async function fill(shown: WhatIfView) {
    rows.value = [];
    const [first] = shown.sliders;
    const here = first?.places[first.best]?.at ?? 0;
    const order = (first?.pictures ?? [])
      .map((p, i) => ({ i, far: Math.abs(p - here) }))
      .sort((a, b) => a.far - b.far);
    for (const { i } of order) {
      if (view.value !== shown) return;
      const params = { path: { ...path.value, row: i } };
      const found = await unwrap(api.GET("/api/settings/{setting_id}/what-if/pictures/{row}", { params }));
      rows.value = Object.assign([...rows.value], { [i]: found.rings });
    }
  }
  watch(
    view,
    (shown) => {
      if (!shown) return;
      at.value = [shown.sliders[0]?.best ?? 0, shown.sliders[1]?.best ?? 0];
      fill(shown).catch((error: unknown) => {
        trouble.value = error instanceof Error ? error.message : String(error);
      });
    },
    { immediate: true },
  );
  const places = computed(() => view.value?.sliders.map((s, k) => s.places[at.value[k] ?? 0]) ?? []);
  const rings = computed(() => {
    const [a, b] = view.value?.sliders ?? [];
    const [p, q] = places.value;
    return a && b && p && q ? blend(rows.value, a.pictures, b.pictures, p.at, q.at) : null;
  });
  /** The exact picture of where both have come to rest. */
  const tried = ref<TriedView | null>(null);
  const still = refDebounced(at, STILL_MS);
  let turn = 0;
  watch([still, view], async () => {
    const [p, q] = places.value;
    const [a, b] = view.value?.sliders ?? [];
    if (!p || !q || !a || !b) return;
    const mine = ++turn;
    const states = { [a.key]: sent(p.state), [b.key]: sent(q.state) };
    try {
      const found = await unwrap(
        api.POST("/api/settings/{setting_id}/what-if", { params: { path: path.value }, body: { states } }),
      );
      if (mine === turn) tried.value = found;
    } catch (error) {
      trouble.value = error instanceof Error ? error.message : String(error);
    }
  });
  watch(at, () => (tried.value = null));
  const step = (k: 0 | 1, by: number) => {
    const most = (view.value?.sliders[k]?.places.length ?? 1) - 1;
    const next = Math.min(Math.max((at.value[k] ?? 0) + by, 0), most);
    at.value = k ? [at.value[0], next] : [next, at.value[1]];
  };
  const put = (k: 0 | 1, i: number) => step(k, i - (at.value[k] ?? 0));
  const best = () => (at.value = [view.value?.sliders[0]?.best ?? 0, view.value?.sliders[1]?.best ?? 0]);
  return { query, view, at, places, rings, tried, trouble, step, put, best };
}

/** A pack's plates, or a pair's by side, as the service takes them. */
function sent(state: WhatIfView["sliders"][number]["places"][number]["state"]): unknown {
  const plates = state.packs.map((pack) => pack.map((plate) => plate.thickness));
  return state.sort === "pair" ? { left: plates[0] ?? [], right: plates[1] ?? [] } : (plates[0] ?? []);
}

export type WhatIf = ReturnType<typeof useWhatIf>;
