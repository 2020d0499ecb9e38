import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, type Ref } from "vue";
import { api, newId, unwrap, type JobView } from "../../api/client";
import { useSending, type Headers } from "../../composables/useSending";
import { keepAnswer } from "../../composables/keepAnswer";

type Params = { path: { job_id: string }; header: Headers };
export interface Correction {
  complaint?: string;
  known?: string;
  bench?: string;
  waits_for?: string;
  schools?: Record<string, string>;
  gauges?: string[];
}

/** A job as a whole: its view, and what can be written on it besides its stages. */
export function useJob(job: Ref<string>) {
  const client = useQueryClient();
  const sending = useSending();
  const key = computed(() => ["job", job.value]);
  const query = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET("/api/jobs/{job_id}", { params: { path: { job_id: job.value } } })),
    refetchOnMount: "always",
  });
  const write = (make: (params: Params) => Promise<JobView>) =>
    sending.send(async (header) => {
      await keepAnswer(client, key.value, await make({ path: { job_id: job.value }, header }));
      await client.invalidateQueries({ queryKey: ["board"] });
    });
  const name = (serials: Record<string, string>) =>
    write((params) => unwrap(api.POST("/api/jobs/{job_id}/serials", { params, body: { serials } })));
  const nameIt = (named: { tag: string; name: string; serial: string; revision: string; setting: string }) =>
    write((params) =>
      unwrap(api.POST("/api/jobs/{job_id}/names", { params, body: { id: newId(), ...named } })),
    );
  const close = (words: string) =>
    write((params) => unwrap(api.POST("/api/jobs/{job_id}/close", { params, body: { id: newId(), words } })));
  const openAgain = (words: string) =>
    write((params) =>
      unwrap(api.POST("/api/jobs/{job_id}/openings", { params, body: { id: newId(), words } })),
    );
  const correct = (change: Correction, words: string) =>
    write((params) =>
      unwrap(api.POST("/api/jobs/{job_id}/corrections", { params, body: { id: newId(), words, ...change } })),
    );
  const hours = (body: Record<string, unknown>) =>
    write((params) => unwrap(api.POST("/api/jobs/{job_id}/hours", { params, body: { id: newId(), body } })));
  return {
    query,
    view: computed(() => query.data.value),
    ...sending,
    name,
    nameIt,
    close,
    openAgain,
    correct,
    hours,
  };
}

export type JobDesk = ReturnType<typeof useJob>;
