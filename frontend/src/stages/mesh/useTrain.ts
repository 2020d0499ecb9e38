import { computed, type Ref } from "vue";
import { api, newId, unwrap } from "../../api/client";
import { useStageView } from "../../composables/useStageView";

/** A job's gear train: its view, and what is counted, tried and looked at. */
export function useTrain(job: Ref<string>) {
  const path = computed(() => ({ job_id: job.value }));
  const stage = useStageView(job, "train", () =>
    unwrap(api.GET("/api/jobs/{job_id}/train", { params: { path: path.value } })),
  );
  const write = (kind: string, body: Record<string, unknown>) => {
    const sent = { id: newId(), kind, body };
    return stage.put((header) =>
      unwrap(api.POST("/api/jobs/{job_id}/train", { params: { path: path.value, header }, body: sent })),
    );
  };
  return { ...stage, write };
}

export type TrainDesk = ReturnType<typeof useTrain>;
