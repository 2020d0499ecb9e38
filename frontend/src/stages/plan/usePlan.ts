import { computed, type Ref } from "vue";
import { api, newId, unwrap } from "../../api/client";
import { useStageView } from "../../composables/useStageView";

/** A job's build order: its view, and what can be done about it. */
export function usePlan(job: Ref<string>) {
  const path = computed(() => ({ job_id: job.value }));
  const stage = useStageView(job, "plan", () =>
    unwrap(api.GET("/api/jobs/{job_id}/plan", { params: { path: path.value } })),
  );
  /** Everything done about the order is written down: a step worked or moved, a turn, a clock. */
  const write = (kind: string, body: Record<string, unknown>, secondPin = "") => {
    const sent = { id: newId(), kind, body, ...(secondPin && { second_pin: secondPin }) };
    return stage.put((header) =>
      unwrap(api.POST("/api/jobs/{job_id}/plan", { params: { path: path.value, header }, body: sent })),
    );
  };
  const wayBack = (step: string) =>
    unwrap(
      api.GET("/api/jobs/{job_id}/plan/way-back/{step}", {
        params: { path: { job_id: job.value, step } },
      }),
    );
  /** How far the yard's clock is ahead of this screen's [ms]. */
  const skew = computed(() =>
    stage.view.value ? Date.parse(stage.view.value.now) - stage.query.dataUpdatedAt.value : 0,
  );
  return { ...stage, skew, write, wayBack };
}

export type PlanDesk = ReturnType<typeof usePlan>;
