import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, type Ref } from "vue";
import { api, newId, unwrap, type SettingView } from "../../api/client";
import { outbox } from "../../api/kept/outbox";
import { useSending, type Headers } from "../../composables/useSending";

import { withKept } from "./withKept";
import { keepAnswer } from "../../composables/keepAnswer";

export type States = Record<string, unknown>;
type Params = { path: { setting_id: string }; header: Headers };

/** One setting: its view, and everything that can be written to it. */
export function useSetting(id: Ref<string>) {
  const client = useQueryClient();
  const key = computed(() => ["setting", id.value]);
  const path = computed(() => ({ setting_id: id.value }));
  const query = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET("/api/settings/{setting_id}", { params: { path: path.value } })),
    refetchInterval: 4000,
  });
  const view = computed(() => query.data.value && withKept(query.data.value, outbox.value));
  const sending = useSending(() => query.refetch());

  /** Writes with the version seen by then; the answer is the setting as it stands after it. */
  const write = (make: (params: Params, seen: number) => Promise<SettingView>, reading = false) =>
    sending.send(async (header) => {
      const fresh = await make({ path: path.value, header }, view.value?.version ?? 0);
      await keepAnswer(client, key.value, fresh);
      if (!reading) void client.invalidateQueries({ queryKey: ["job", fresh.job.id] });
    });

  const entry = (what: {
    slot: string;
    text?: string;
    value?: unknown;
    supersedes?: string;
    confirmed?: boolean;
    void?: boolean;
    gauge?: string;
    id?: string;
    taken?: string;
  }) => {
    const sent = { id: newId(), round: view.value?.sheet.round, ...what };
    return write((params, seen) => {
      const body = what.supersedes ? { ...sent, seen } : sent;
      return unwrap(api.POST("/api/settings/{setting_id}/entries", { params, body }));
    }, true);
  };
  const act = (kind: "as_found" | "move" | "reseat", states: States, remark = "") => {
    const sent = { id: newId(), kind, states, remark };
    return write((params, seen) =>
      unwrap(api.POST("/api/settings/{setting_id}/acts", { params, body: { ...sent, seen } })),
    );
  };
  const explain = (
    cause: "recounted" | "reread" | "soft" | "unexplained",
    words: string,
    states: States = {},
  ) => {
    const sent = { id: newId(), cause, words, states };
    return write((params, seen) =>
      unwrap(api.POST("/api/settings/{setting_id}/explanations", { params, body: { ...sent, seen } })),
    );
  };
  const give = (given: Record<string, unknown>) => {
    const sent = { id: newId(), given };
    return write((params, seen) =>
      unwrap(api.POST("/api/settings/{setting_id}/given", { params, body: { ...sent, seen } })),
    );
  };
  const sign = (remark: string, pin: string) => {
    const sent = { id: newId(), remark, pin };
    return write((params, seen) =>
      unwrap(api.POST("/api/settings/{setting_id}/signatures", { params, body: { ...sent, seen } })),
    );
  };
  const expect = (states: States) =>
    unwrap(
      api.POST("/api/settings/{setting_id}/expectations", {
        params: { path: path.value },
        body: { states },
      }),
    );
  return { query, view, ...sending, entry, act, explain, give, sign, expect };
}

export type SettingDesk = ReturnType<typeof useSetting>;
