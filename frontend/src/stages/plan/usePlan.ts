import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, type Ref } from "vue";
import { api, newId, unwrap, type PlanView } from "../../api/client";
import { useSending } from "../../composables/useSending";

/** A job's build order: its view, and what can be done about it. */
export function usePlan(job: Ref<string>) {
  const client = useQueryClient();
  const sending = useSending();
  const key = computed(() => ["plan", job.value]);
  const path = computed(() => ({ job_id: job.value }));
  const query = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET("/api/jobs/{job_id}/plan", { params: { path: path.value } })),
    refetchInterval: 5000,
    refetchOnMount: "always",
  });
  const view = computed(() => query.data.value);
  function keep(fresh: PlanView) {
    client.setQueryData(key.value, fresh);
    void client.invalidateQueries({ queryKey: ["job", job.value] });
  }
  /** Everything done about the order is written down: a step worked or moved, a turn, a clock. */
  const write = (kind: string, body: Record<string, unknown>) => {
    const sent = { id: newId(), kind, body };
    return sending.send(async (header) =>
      keep(
        await unwrap(
          api.POST("/api/jobs/{job_id}/plan", { params: { path: path.value, header }, body: sent }),
        ),
      ),
    );
  };
  const wayBack = (step: string) =>
    unwrap(
      api.GET("/api/jobs/{job_id}/plan/way-back/{step}", {
        params: { path: { job_id: job.value, step } },
      }),
    );
  /** How far the yard's clock is ahead of this screen's [ms]. */
  const skew = computed(() => (view.value ? Date.parse(view.value.now) - query.dataUpdatedAt.value : 0));
  return { query, view, skew, write, wayBack, ...sending };
}

export type PlanDesk = ReturnType<typeof usePlan>;
