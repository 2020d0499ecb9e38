import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, ref, type Ref } from "vue";
import { api, newId, Refusal, unwrap, type Problem, type SettingView } from "../api/client";
import { actor } from "./useActor";

type State = Record<string, unknown>;
type Send = () => Promise<void>;

/** One setting: its view, and everything that can be written to it. A refusal is kept, with a way to
 * send the same thing again under the same key, so that nothing counts twice and nothing is lost. */
export function useSetting(id: Ref<string>) {
  const client = useQueryClient();
  const key = computed(() => ["setting", id.value]);
  const problem = ref<Problem | null>(null);
  const retry = ref<Send | null>(null);
  const busy = ref(false);
  const query = useQuery({
    queryKey: key,
    queryFn: () =>
      unwrap(api.GET("/api/settings/{setting_id}", { params: { path: { setting_id: id.value } } })),
    refetchInterval: 4000,
  });
  const view = computed(() => query.data.value);

  function options(idempotencyKey: string) {
    return {
      params: {
        path: { setting_id: id.value },
        header: { "X-Mechanic": actor.value, "Idempotency-Key": idempotencyKey },
      },
    };
  }

  /** Sends; true when it was taken. `again` makes the same request, with the version seen by then. */
  async function send(make: (seen: number, key: string) => Promise<SettingView>): Promise<boolean> {
    const idempotencyKey = newId();
    const attempt = async (unique: string, seen: number): Promise<boolean> => {
      busy.value = true;
      try {
        const fresh = await make(seen, unique);
        client.setQueryData(key.value, fresh);
        problem.value = null;
        retry.value = null;
        return true;
      } catch (error) {
        if (!(error instanceof Refusal)) throw error;
        problem.value = error.problem;
        const lost = error.problem.code === "unreachable";
        retry.value = async () => {
          await query.refetch();
          await (lost ? attempt(unique, seen) : attempt(newId(), view.value?.version ?? 0));
        };
        if (error.problem.code === "stale") await query.refetch();
        return false;
      } finally {
        busy.value = false;
      }
    };
    return attempt(idempotencyKey, view.value?.version ?? 0);
  }

  const read = (slot: string, what: { text?: string; value?: unknown }) => {
    const body = { id: newId(), slot, round: view.value?.sheet.round, ...what };
    return send((_, k) => unwrap(api.POST("/api/settings/{setting_id}/entries", { ...options(k), body })));
  };
  const correct = (
    slot: string,
    supersedes: string,
    what: { text?: string; confirmed?: boolean; void?: boolean },
  ) => {
    const id = newId();
    const round = view.value?.sheet.round;
    return send((seen, k) =>
      unwrap(
        api.POST("/api/settings/{setting_id}/entries", {
          ...options(k),
          body: { id, slot, supersedes, seen, round, ...what },
        }),
      ),
    );
  };
  const act = (kind: "as_found" | "move" | "reseat", states: State, remark = "") => {
    const id = newId();
    return send((seen, k) =>
      unwrap(
        api.POST("/api/settings/{setting_id}/acts", {
          ...options(k),
          body: { id, kind, states, remark, seen },
        }),
      ),
    );
  };
  const explain = (cause: "recounted" | "reread" | "unexplained", words: string, states: State = {}) => {
    const id = newId();
    return send((seen, k) =>
      unwrap(
        api.POST("/api/settings/{setting_id}/explanations", {
          ...options(k),
          body: { id, cause, words, states, seen },
        }),
      ),
    );
  };
  const give = (given: Record<string, unknown>) => {
    const id = newId();
    return send((seen, k) =>
      unwrap(api.POST("/api/settings/{setting_id}/given", { ...options(k), body: { id, given, seen } })),
    );
  };
  const sign = (remark: string) => {
    const id = newId();
    return send((seen, k) =>
      unwrap(
        api.POST("/api/settings/{setting_id}/signatures", { ...options(k), body: { id, remark, seen } }),
      ),
    );
  };
  const expect = (state: unknown) =>
    unwrap(
      api.POST("/api/settings/{setting_id}/expectations", {
        params: { path: { setting_id: id.value } },
        body: { state },
      }),
    );
  const letGo = () => {
    problem.value = null;
    retry.value = null;
  };
  return { query, view, problem, retry, busy, read, correct, act, explain, give, sign, expect, letGo };
}

export type SettingDesk = ReturnType<typeof useSetting>;
