import { useIntervalFn } from "@vueuse/core";
import { computed, ref, type Ref } from "vue";
import { api, newId, unwrap } from "../../api/client";
import { useStageView } from "../../composables/useStageView";

/** A job's fits: their view, and what is written down about them. */
export function useFit(job: Ref<string>) {
  const path = computed(() => ({ job_id: job.value }));
  const stage = useStageView(
    job,
    "fit",
    () => unwrap(api.GET("/api/jobs/{job_id}/fit", { params: { path: path.value } })),
    ["job", "plan"],
  );
  const { query, view } = stage;
  const write = (kind: string, body: Record<string, unknown>) => post({ id: newId(), kind, body });
  /** What was written wrongly is struck; it stays on record as struck. */
  const strike = (fact: string, kind: string) =>
    post({ id: newId(), kind, body: {}, supersedes: fact, void: true });
  function post(sent: {
    id: string;
    kind: string;
    body: Record<string, unknown>;
    supersedes?: string;
    void?: boolean;
  }) {
    return stage.put((header) =>
      unwrap(api.POST("/api/jobs/{job_id}/fit", { params: { path: path.value, header }, body: sent })),
    );
  }
  /** The yard's clock: the server's, carried on by this screen's. */
  const screen = ref(Date.now());
  useIntervalFn(() => (screen.value = Date.now()), 1000);
  const skew = computed(() => (view.value ? Date.parse(view.value.now) - query.dataUpdatedAt.value : 0));
  const now = computed(() => screen.value + skew.value);
  return { ...stage, write, strike, now };
}

export type FitDesk = ReturnType<typeof useFit>;

/** From a moment as the yard's clock says it, which carries no zone, to one that can be told apart from now. */
export function left(until: string, nowText: string, now: number): number {
  const zone = /(?:Z|[+-]\d\d:\d\d)$/.exec(nowText)?.[0] ?? "Z";
  return Math.round((Date.parse(until + zone) - now) / 1000);
}

/** 7:45, or 1:02:45; never below nothing. */
export function clock(seconds: number): string {
  const s = Math.max(0, seconds);
  const [h, m, rest] = [Math.floor(s / 3600), Math.floor(s / 60) % 60, String(s % 60).padStart(2, "0")];
  return h ? `${h}:${String(m).padStart(2, "0")}:${rest}` : `${m}:${rest}`;
}
