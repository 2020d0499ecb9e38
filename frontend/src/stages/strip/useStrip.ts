import { type Ref } from "vue";
import { api, newId, sendFile, unwrap, type StripView } from "../../api/client";
import { useStageView } from "../../composables/useStageView";

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
  const stage = useStageView(job, "strip", () =>
    unwrap(api.GET("/api/jobs/{job_id}/strip", { params: { path: { job_id: job.value } } })),
  );
  const write = (fact: FactDraft) => {
    const body = { id: newId(), body: {}, let_go: [], let_go_words: "", ...fact };
    return stage.put((header) =>
      unwrap(api.POST("/api/jobs/{job_id}/facts", { params: { path: { job_id: job.value }, header }, body })),
    );
  };
  const photo = (file: File, subject: string, caption: string) => {
    const asked = new URLSearchParams({ id: newId(), subject, caption });
    const url = `/api/jobs/${encodeURIComponent(job.value)}/photos?${asked.toString()}`;
    return stage.put((header) =>
      sendFile<StripView>(url, file, { ...header, "Content-Type": "application/octet-stream" }),
    );
  };
  return { ...stage, write, photo };
}

export type StripDesk = ReturnType<typeof useStrip>;
