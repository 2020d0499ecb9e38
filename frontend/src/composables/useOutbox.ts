import { useQueryClient } from "@tanstack/vue-query";
import { useEventListener, useIntervalFn } from "@vueuse/core";
import { computed, ref, watch } from "vue";
import { newId, type Problem, type SettingView } from "../api/client";
import type { Kept } from "../api/kept/db";
import { heard, link } from "../api/kept/link";
import { change, letGo, outbox, readOutbox } from "../api/kept/outbox";
import { lookBefore, mayFollow, onto, written } from "../api/kept/stands";
import { session } from "../api/session";
import { keepAnswer } from "./keepAnswer";
import { useMe } from "./useMe";

const AGAIN_MS = 4000;
const LOCK = "bornek-outbox";
const sending = ref(false);

/** What was kept is sent once each, in its order, as soon as the yard answers; by one page of a browser at a time. */
export function useOutbox() {
  const client = useQueryClient();
  const { me, authenticated, query } = useMe();
  /** Others' things wait for their sign-in: nobody writes in another's name. */
  const mine = (item: Kept) => !authenticated.value || item.actor === me.value?.mechanic;
  const waiting = computed(() => outbox.value.filter((i) => i.state === "waits"));
  const refused = computed(() => outbox.value.filter((i) => i.state === "refused"));
  /** Nobody is asked for, and what a page says with what it writes is known. */
  const maySend = () => !me.value?.asks && (!authenticated.value || session.token !== "");

  /** One after the other; what follows a move that was refused waits for it. */
  async function flush(): Promise<void> {
    if (sending.value || !waiting.value.length || !maySend()) return;
    sending.value = true;
    try {
      if (navigator.locks)
        await navigator.locks.request(LOCK, { ifAvailable: true }, (held) => held && all());
      else await all();
    } catch {
      link.lost = true;
    } finally {
      sending.value = false;
    }
  }
  async function all(): Promise<void> {
    await readOutbox();
    let sent = 0;
    for (const item of outbox.value) {
      if (item.state !== "waits" || !mine(item) || heldUp(item)) continue;
      await lookBefore(item);
      if (!(await deliver(item))) break;
      sent += 1;
    }
    if (sent) await client.invalidateQueries();
  }
  const heldUp = (item: Kept) =>
    outbox.value.some(
      (other) => other.state === "refused" && other.target === item.target && (other.n ?? 0) < (item.n ?? 0),
    );

  /** Whether sending goes on after it: it was written, or it is refused and waits to be decided on. Before it is sent
   * again on what stands now it is kept as that request, so that it counts once also where its answer is lost. */
  async function deliver(item: Kept, anew = false): Promise<boolean> {
    const answer = await post(item);
    heard(answer);
    if (answer.status === 401) await query.refetch();
    if (answer.status === 401 || answer.status === 429 || answer.status >= 500) return false;
    if (answer.ok) {
      await show(item, answer.clone());
      await written(item, answer);
      return true;
    }
    const problem = (await answer.json()) as Problem;
    const said = problem.details as { theirs?: string[]; yours?: string; version?: number };
    if (problem.code === "stale" && said.version !== undefined && !anew && mayFollow(item, said.version)) {
      const again = onto(item, said.version, newId());
      await change(again);
      return deliver(again, true);
    }
    const { code, message, next_step } = problem;
    const theirs = said.theirs ?? item.problem?.theirs ?? [];
    const yours = said.yours ?? item.problem?.yours ?? "";
    const told = { code, message, next_step, theirs, yours };
    await change({ ...item, state: "refused", insists: false, problem: told });
    return true;
  }
  /** What the yard made of it is shown before it is kept no more: its station is not open in between. */
  async function show(item: Kept, answer: Response): Promise<void> {
    if (!item.target.startsWith("settings/")) return;
    const view = (await answer.json()) as SettingView;
    await keepAnswer(client, ["setting", view.id], view);
  }
  /** What was refused, written all the same. */
  async function insist(item: Kept): Promise<void> {
    await change({ ...item, state: "waits", insists: true });
    await flush();
  }
  async function drop(item: Kept): Promise<void> {
    await letGo(item);
    await flush();
  }
  return { waiting, refused, sending, mine, flush, insist, drop };
}

function post(item: Kept): Promise<Response> {
  return fetch(item.url, {
    method: "POST",
    body: item.body,
    headers: {
      "Content-Type": item.type,
      "X-Mechanic": item.actor,
      "X-Token": session.token,
      "Idempotency-Key": item.key,
      "X-Made-At": new Date(item.madeAt).toISOString(),
    },
  });
}

/** Once for the whole page: at its start, when the network comes back, when somebody signs in, and every few seconds. */
export function useSendsKept() {
  const found = useOutbox();
  const { me } = useMe();
  void readOutbox().then(found.flush);
  useEventListener(window, "online", () => void found.flush());
  useIntervalFn(() => void found.flush(), AGAIN_MS);
  watch(
    () => me.value?.token,
    () => void found.flush(),
  );
  return found;
}
