import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, type Ref } from "vue";
import { api, newId, unwrap, type TrainView } from "../../api/client";
import { useSending } from "../../composables/useSending";

/** A job's gear train: its view, and what is counted, tried and looked at. */
export function useTrain(job: Ref<string>) {
  const client = useQueryClient();
  const sending = useSending();
  const key = computed(() => ["train", job.value]);
  const path = computed(() => ({ job_id: job.value }));
  const query = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET("/api/jobs/{job_id}/train", { params: { path: path.value } })),
    refetchInterval: 5000,
    refetchOnMount: "always",
  });
  const view = computed(() => query.data.value);
  function keep(fresh: TrainView) {
    client.setQueryData(key.value, fresh);
    void client.invalidateQueries({ queryKey: ["job", job.value] });
  }
  const write = (kind: string, body: Record<string, unknown>) => {
    const sent = { id: newId(), kind, body };
    return sending.send(async (header) =>
      keep(
        await unwrap(
          api.POST("/api/jobs/{job_id}/train", { params: { path: path.value, header }, body: sent }),
        ),
      ),
    );
  };
  return { query, view, write, ...sending };
}

export type TrainDesk = ReturnType<typeof useTrain>;
