import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed } from "vue";
import { api, unwrap, type PeopleView } from "../../api/client";
import { useSending, type Headers } from "../../composables/useSending";
import { keepAnswer } from "../../composables/keepAnswer";

/** Everybody, and every device: the owner's. */
export function usePeople() {
  const client = useQueryClient();
  const query = useQuery({ queryKey: ["people"], queryFn: () => unwrap(api.GET("/api/people")) });
  const deeds = useQuery({ queryKey: ["deeds"], queryFn: () => unwrap(api.GET("/api/deeds")) });
  const sending = useSending();
  const put = (make: (header: Headers) => Promise<PeopleView>) =>
    sending.send(async (header) => {
      await keepAnswer(client, ["people"], await make(header));
      await client.invalidateQueries({ queryKey: ["deeds"] });
      await client.invalidateQueries({ queryKey: ["mechanics"] });
    });
  const add = (body: { name: string; role: string; passphrase: string; mechanic: string }) =>
    put((header) =>
      unwrap(api.POST("/api/people", { params: { header }, body: { ...body, role: body.role as "lead" } })),
    );
  const change = (mechanic: string, body: { role?: "lead"; passphrase?: string; ended?: boolean }) =>
    put((header) =>
      unwrap(api.POST("/api/people/{mechanic}", { params: { path: { mechanic }, header }, body })),
    );
  const endDevice = (device: string) =>
    put((header) =>
      unwrap(api.POST("/api/devices/{device}/end", { params: { path: { device }, header }, body: {} })),
    );
  return { query, view: computed(() => query.data.value), deeds, sending, add, change, endDevice };
}
