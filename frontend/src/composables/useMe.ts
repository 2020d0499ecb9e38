import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { useEventListener, useIntervalFn } from "@vueuse/core";
import { computed, watch } from "vue";
import { api, unwrap, type MeView } from "../api/client";
import { rigBase } from "../api/rigAddress";
import { session } from "../api/session";
import { forgetSeen } from "../api/kept/seen";
import { actor } from "./useActor";
import { keepAnswer } from "./keepAnswer";

const ME = ["me"];
/** Whoever is there says so no oftener than this [ms]. */
const HERE_MS = 240_000;
const TOKEN_MS = 4000;

/** Who is signed in here, and what is asked before anybody is. */
export function useMe() {
  const client = useQueryClient();
  const query = useQuery({ queryKey: ME, queryFn: () => unwrap(api.GET("/api/me")), staleTime: Infinity });
  const me = computed(() => query.data.value);
  const authenticated = computed(() => me.value?.how === "authenticated");
  const may = (right: string) => me.value?.rights.includes(right) ?? true;
  /** Who is signed in changed: everything is looked at again. */
  async function keep(now: MeView) {
    await keepAnswer(client, ME, now);
    void client.invalidateQueries({ predicate: (q) => q.queryKey[0] !== ME[0] });
  }
  const leave = async (everywhere: boolean) => {
    const now = await unwrap(api.POST("/api/sign-outs", { body: { everywhere } }));
    await forgetSeen();
    await keep(now);
  };
  return { query, me, authenticated, may, keep, leave };
}

/** Once for the whole page: the token goes with what is written, the name with what is shown, and whoever touches
 * anything is still there. */
export function useSignIn() {
  const found = useMe();
  watch(
    found.me,
    (now) => {
      session.token = now?.token ?? "";
      if (now?.how === "authenticated" && !rigBase) actor.value = now.mechanic;
    },
    { immediate: true },
  );
  watch(actor, (id) => (session.actor = id), { immediate: true });
  /** A page that was opened without the yard has no token: it is asked for until the yard answers. */
  useIntervalFn(() => {
    if (found.authenticated.value && !session.token) void found.query.refetch();
  }, TOKEN_MS);
  session.ended = () => {
    if (found.authenticated.value) void found.query.refetch();
  };
  let said = 0;
  const touched = () => {
    if (!found.authenticated.value || Date.now() - said < HERE_MS) return;
    said = Date.now();
    api.POST("/api/me/here", { body: {} }).catch(() => undefined);
  };
  useEventListener(window, ["pointerdown", "keydown"], touched, { passive: true });
  return found;
}
