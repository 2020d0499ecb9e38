import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, ref, watch, type Ref } from "vue";
import { api, unwrap, type RigView } from "../../api/client";
import { rigBase } from "../../api/rigAddress";
import { useSending, type Headers } from "../../composables/useSending";
import { keepAnswer } from "../../composables/keepAnswer";

const RIG = ["rig"];

/** The caution at every rig. */
export const HABIT = "Fingers out of the gap, here too: the habit is what this rig is for.";

export const toTheRigs = () => window.location.assign("/practice");

/** The rig whose address this is: its score, its looks, its cloth. Nothing in the yard itself. */
export function useRig() {
  const client = useQueryClient();
  const query = useQuery({
    queryKey: RIG,
    queryFn: () => unwrap(api.GET("/api/rig")),
    enabled: rigBase !== "",
  });
  const rig = computed(() => query.data.value);
  const sending = useSending();
  /** Whatever is done may change what is shown of everything else: the advice, a needle that was freed. */
  const act = (make: (header: Headers) => Promise<RigView>) =>
    sending.send(async (header) => {
      await keepAnswer(client, RIG, await make(header));
      await client.invalidateQueries({ predicate: (q) => q.queryKey[0] !== RIG[0] });
    });
  const look = (key: string) =>
    act((header) => unwrap(api.POST("/api/rig/looks", { params: { header }, body: { key } })));
  const ask = () => act((header) => unwrap(api.POST("/api/rig/asks", { params: { header }, body: {} })));
  const lift = () => act((header) => unwrap(api.POST("/api/rig/lifts", { params: { header }, body: {} })));
  /** What the gauge makes of a pull; undefined where it was refused. */
  async function taken(slot: string, pull: number, push: number) {
    let found: Awaited<ReturnType<typeof takePull>> | undefined;
    const takePull = (header: Headers) =>
      unwrap(api.POST("/api/rig/pulls", { params: { header }, body: { slot, pull, push } }));
    await sending.send(async (header) => void (found = await takePull(header)));
    return found;
  }
  const refresh = () => void query.refetch();
  return { rig, query, look, ask, lift, taken, refresh, trouble: sending.trouble };
}

/** The lever at a station: how hard it is pulled, and what the dial shows of it. Every pull has its own scatter. */
export function useLever(slot: Ref<string | null>, round: Ref<number>) {
  const push = ref(0);
  const pulls = ref(1);
  const { data } = useQuery({
    queryKey: computed(() => ["rig-station", slot.value, round.value, pulls.value]),
    queryFn: () =>
      unwrap(
        api.GET("/api/rig/stations/{slot}", {
          params: { path: { slot: slot.value ?? "" }, query: { pull: pulls.value } },
        }),
      ),
    enabled: computed(() => slot.value !== null),
    placeholderData: (before) => (before?.slot === slot.value ? before : undefined),
  });
  const station = computed(() => (slot.value ? data.value : undefined));
  const dial = computed(() => station.value?.dial ?? null);
  const bent = computed(() => dial.value !== null && push.value > dial.value.bends);
  const needle = computed(() => {
    const { value } = dial;
    return value ? (value.needle[Math.round(push.value / value.step)] ?? 0) : 0;
  });
  function pull(to: number) {
    if (!dial.value) return;
    const before = push.value;
    push.value = Math.min(dial.value.most, Math.max(0, Math.round(to / dial.value.step) * dial.value.step));
    if (before > 0 && push.value === 0) pulls.value += 1;
  }
  const step = (by: number) => pull(push.value + by * (dial.value?.step ?? 0));
  watch([slot, round], () => {
    push.value = 0;
  });
  return { push, pulls, needle, dial, station, bent, pull, step, letGo: () => pull(0) };
}

export type RigDesk = ReturnType<typeof useRig>;
export type Lever = ReturnType<typeof useLever>;
