import type { QueryClient, QueryKey } from "@tanstack/vue-query";

/** What a write was answered is how things stand: a look that was on its way before the write was taken must not
 * put what it saw back over it. */
export async function keepAnswer<T>(client: QueryClient, key: QueryKey, fresh: T) {
  await client.cancelQueries({ queryKey: key, exact: true });
  client.setQueryData(key, fresh);
}
