import { computed, ref, type Ref } from "vue";
import { api, newId, sendFile, unwrap } from "../../api/client";
import { useStageView } from "../../composables/useStageView";
import type { FactSent } from "../../ui/FactZone.vue";

/** A job's inspection: its view, and what can be written down there. */
export function useInspect(job: Ref<string>) {
  const path = computed(() => ({ job_id: job.value }));
  const stage = useStageView(job, "inspect", () =>
    unwrap(api.GET("/api/jobs/{job_id}/inspection", { params: { path: path.value } })),
  );
  /** One after the other: keys come faster than answers, and the last answer is to be the last shown. */
  const pending = ref(0);
  let last: Promise<unknown> = Promise.resolve();
  function inTurn(make: () => Promise<boolean>): Promise<boolean> {
    pending.value += 1;
    const mine = last.then(make).finally(() => (pending.value -= 1));
    last = mine;
    return mine;
  }
  const busy = computed(() => pending.value > 0);
  /** Anything that is written down here, corrected or struck. */
  const put = (fact: FactSent) => {
    const sent = { id: newId(), body: {}, ...fact };
    return inTurn(() =>
      stage.put((header) =>
        unwrap(
          api.POST("/api/jobs/{job_id}/inspection", { params: { path: path.value, header }, body: sent }),
        ),
      ),
    );
  };
  const write = (kind: string, body: Record<string, unknown>) => put({ kind, body });
  const measure = (fit: { part: string; kind: string; label: string; given: Record<string, unknown> }) => {
    const body = { id: newId(), ...fit };
    return stage.put((header) =>
      unwrap(api.POST("/api/jobs/{job_id}/fits", { params: { path: path.value, header }, body })),
    );
  };
  const photo = (file: File, subject: string) => {
    const asked = new URLSearchParams({ id: newId(), subject, caption: "" });
    const url = `/api/jobs/${encodeURIComponent(job.value)}/photos?${asked.toString()}`;
    return stage.send(async (header) => {
      await sendFile(url, file, { ...header, "Content-Type": "application/octet-stream" });
      await stage.query.refetch();
    });
  };
  return { ...stage, write, put, measure, photo, busy };
}

export type InspectDesk = ReturnType<typeof useInspect>;
