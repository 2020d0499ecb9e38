import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, type Ref } from "vue";
import { api, newId, sendFile, unwrap, type StripView } from "../../api/client";
import { useSending } from "../../composables/useSending";

export interface FactDraft {
  kind: string;
  body?: Record<string, unknown>;
  supersedes?: string;
  void?: boolean;
  let_go?: string[];
  let_go_words?: string;
}

/** A job's strip stage: its view, and what can be written down there. */
export function useStrip(job: Ref<string>) {
  const client = useQueryClient();
  const sending = useSending();
  const key = computed(() => ["strip", job.value]);
  const query = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET("/api/jobs/{job_id}/strip", { params: { path: { job_id: job.value } } })),
    refetchInterval: 5000,
    refetchOnMount: "always",
  });
  const view = computed(() => query.data.value);
  function keep(fresh: StripView) {
    client.setQueryData(key.value, fresh);
    void client.invalidateQueries({ queryKey: ["job", job.value] });
  }
  const write = (fact: FactDraft) => {
    const body = { id: newId(), body: {}, let_go: [], let_go_words: "", ...fact };
    return sending.send(async (header) => {
      keep(
        await unwrap(
          api.POST("/api/jobs/{job_id}/facts", { params: { path: { job_id: job.value }, header }, body }),
        ),
      );
    });
  };
  const photo = (file: File, subject: string, caption: string) => {
    const asked = new URLSearchParams({ id: newId(), subject, caption });
    const url = `/api/jobs/${encodeURIComponent(job.value)}/photos?${asked.toString()}`;
    return sending.send(async (header) => {
      keep(await sendFile<StripView>(url, file, { ...header, "Content-Type": "application/octet-stream" }));
    });
  };
  return { view, query, write, photo, ...sending };
}

export type StripDesk = ReturnType<typeof useStrip>;
