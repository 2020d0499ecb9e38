import { useQuery } from "@tanstack/vue-query";
import { computed } from "vue";
import { api, unwrap } from "../api/client";

/** The yard's name and people, and its clock: moments come in UTC, they are shown as the clock on its wall. */
export function useYard() {
  const query = useQuery({
    queryKey: ["yard"],
    queryFn: () => unwrap(api.GET("/api/yard")),
    staleTime: 60_000,
  });
  const written = computed(
    () =>
      new Intl.DateTimeFormat("sv-SE", {
        timeZone: query.data.value?.zone ?? "UTC",
        dateStyle: "short",
        timeStyle: "short",
      }),
  );
  /** 2026-11-30 07:05 */
  const moment = (stamp: string) => (stamp ? written.value.format(new Date(stamp)) : "");
  /** 2026-11-30 */
  const day = (stamp: string) => moment(stamp).slice(0, 10);
  const today = () => day(new Date().toISOString());
  return { query, yard: query.data, moment, day, today };
}
