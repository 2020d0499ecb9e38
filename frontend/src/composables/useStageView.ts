import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, type Ref } from "vue";
import { useSending, type Headers } from "./useSending";
import { keepAnswer } from "./keepAnswer";

/** A page of a job that is written on: its view, looked at again every few seconds, and one sender whose answer is
 * the new view. `others`: what else of the job is stale after that. */
export function useStageView<View>(
  job: Ref<string>,
  name: string,
  read: () => Promise<View>,
  others: string[] = ["job"],
) {
  const client = useQueryClient();
  const sending = useSending();
  const key = computed(() => [name, job.value]);
  const query = useQuery({
    queryKey: key,
    queryFn: read,
    refetchInterval: 5000,
    refetchOnMount: "always",
  });
  const view = computed(() => query.data.value as View | undefined);
  async function keep(fresh: View) {
    await keepAnswer(client, key.value, fresh);
    for (const other of others) void client.invalidateQueries({ queryKey: [other, job.value] });
  }
  const put = (make: (header: Headers) => Promise<View>) =>
    sending.send(async (header) => keep(await make(header)));
  return { query, view, put, ...sending };
}
