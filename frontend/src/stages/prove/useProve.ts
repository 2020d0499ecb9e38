import { computed, type Ref } from "vue";
import { api, newId, sendFile, unwrap } from "../../api/client";
import { useStageView } from "../../composables/useStageView";

/** A job's last look: its view, what is seen, run and put off, and the release. */
export function useProve(job: Ref<string>) {
  const path = computed(() => ({ job_id: job.value }));
  const stage = useStageView(job, "prove", () =>
    unwrap(api.GET("/api/jobs/{job_id}/prove", { params: { path: path.value } })),
  );
  const send = (fact: {
    kind: string;
    body?: Record<string, unknown>;
    supersedes?: string;
    void?: boolean;
  }) => {
    const sent = { id: newId(), body: {}, ...fact };
    return stage.put((header) =>
      unwrap(api.POST("/api/jobs/{job_id}/prove", { params: { path: path.value, header }, body: sent })),
    );
  };
  const write = (kind: string, body: Record<string, unknown>) => send({ kind, body });
  const strike = (kind: string, fact: string) => send({ kind, supersedes: fact, void: true });
  const release = (
    how: "service" | "as_it_is",
    said: { second: string; words: string; pin: string; second_pin: string },
  ) => {
    const body = { id: newId(), how, ...said };
    return stage.put((header) =>
      unwrap(api.POST("/api/jobs/{job_id}/release", { params: { path: path.value, header }, body })),
    );
  };
  /** A photo taken here, by the id under which it is kept; empty where it was refused. */
  const photo = async (file: File, caption: string) => {
    const id = newId();
    const asked = new URLSearchParams({ id, subject: "", caption });
    const url = `/api/jobs/${encodeURIComponent(job.value)}/photos?${asked.toString()}`;
    const kept = await stage.send(async (header) => {
      await sendFile(url, file, { ...header, "Content-Type": "application/octet-stream" });
      await stage.query.refetch();
    });
    return kept ? id : "";
  };
  return { ...stage, write, strike, release, photo };
}

export type ProveDesk = ReturnType<typeof useProve>;
