import { useQueryClient } from "@tanstack/vue-query";
import { useEventListener, useIntervalFn } from "@vueuse/core";
import { computed, ref, watch } from "vue";
import { newId, type Problem } from "../api/client";
import type { Kept } from "../api/kept/db";
import { heard, link } from "../api/kept/link";
import { change, letGo, outbox, readOutbox } from "../api/kept/outbox";
import { session } from "../api/session";
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

  async function send(item: Kept, key = item.key, body = item.body): Promise<Response> {
    return fetch(item.url, {
      method: "POST",
      body,
      headers: {
        "Content-Type": item.type,
        "X-Mechanic": item.actor,
        "X-Token": session.token,
        "Idempotency-Key": key,
        "X-Made-At": new Date(item.madeAt).toISOString(),
      },
    });
  }

  /** One after the other; what follows a move that was refused waits for it. */
  async function flush(): Promise<void> {
    if (sending.value || !waiting.value.length || me.value?.asks) return;
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
    const own = new Map<string, { before: number; now: number }>();
    let sent = 0;
    for (const item of outbox.value) {
      if (item.state !== "waits" || !mine(item) || heldUp(item)) continue;
      const answer = await send(item);
      heard(answer);
      if (answer.status === 401) {
        await query.refetch();
        break;
      }
      if (answer.status >= 500 || answer.status === 429) break;
      if (answer.ok) {
        noteVersion(own, item, await version(answer));
        await letGo(item);
      } else await settle(item, (await answer.json()) as Problem, own);
      sent += 1;
    }
    if (sent) await client.invalidateQueries();
  }
  const heldUp = (item: Kept) =>
    outbox.value.some(
      (other) => other.state === "refused" && other.target === item.target && (other.n ?? 0) < (item.n ?? 0),
    );

  /** A move made on what was last seen: where nothing but this tablet's own readings came in between it is sent on what
   * stands now; what another one did meanwhile is shown beside it. */
  async function settle(item: Kept, problem: Problem, own: Map<string, { before: number; now: number }>) {
    const between = own.get(item.target);
    const theirs = (problem.details as { theirs?: string[]; version?: number }).theirs ?? [];
    const { version: now } = problem.details as { version?: number };
    if (problem.code === "stale" && typeof item.body === "string") {
      const body = JSON.parse(item.body) as { seen?: number };
      if (between && body.seen === between.before && now === between.now) {
        const again = await send(item, newId(), JSON.stringify({ ...body, seen: now }));
        if (again.ok) {
          noteVersion(own, item, await version(again));
          return letGo(item);
        }
        problem = (await again.json()) as Problem;
      }
    }
    const { code, message, next_step } = problem;
    await change({ ...item, state: "refused", problem: { code, message, next_step, theirs } });
  }

  /** What was refused, written all the same: on what stands now. */
  async function insist(item: Kept): Promise<void> {
    const first = await send(item, newId());
    if (first.ok) return done(item);
    const problem = (await first.json()) as Problem;
    const now = (problem.details as { version?: number }).version;
    if (problem.code === "stale" && typeof item.body === "string" && now !== undefined) {
      const body = { ...(JSON.parse(item.body) as object), seen: now };
      const again = await send(item, newId(), JSON.stringify(body));
      if (again.ok) return done(item);
    }
    const { code, message, next_step } = problem;
    await change({ ...item, problem: { code, message, next_step, theirs: item.problem?.theirs ?? [] } });
  }
  async function done(item: Kept): Promise<void> {
    await letGo(item);
    await client.invalidateQueries();
    await flush();
  }
  async function drop(item: Kept): Promise<void> {
    await letGo(item);
    await flush();
  }
  return { waiting, refused, sending, mine, flush, insist, drop };
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

/** Where a target stood before this tablet's own writes, and where it stands after them. */
function noteVersion(own: Map<string, { before: number; now: number }>, item: Kept, now: number | undefined) {
  if (now === undefined) return;
  const was = own.get(item.target);
  own.set(item.target, { before: was?.before ?? now - 1, now });
}

async function version(answer: Response): Promise<number | undefined> {
  const view = (await answer.json().catch(() => ({}))) as { version?: number; job?: { version?: number } };
  return view.version ?? view.job?.version;
}
