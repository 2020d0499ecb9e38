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
/** Where a setting stood before this tablet's own writes of this sending, and where it stands after them. */
const own = new Map<string, { before: number; now: number }>();

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
    let sent = 0;
    for (const item of outbox.value) {
      if (item.state !== "waits" || !mine(item) || heldUp(item)) continue;
      await lookBefore(item);
      const answer = await send(item);
      heard(answer);
      if (answer.status === 401) {
        await query.refetch();
        break;
      }
      if (answer.status >= 500 || answer.status === 429) break;
      if (answer.ok) {
        await written(item, answer);
      } else await settle(item, (await answer.json()) as Problem);
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
  async function settle(item: Kept, problem: Problem) {
    const between = own.get(item.target);
    const theirs = (problem.details as { theirs?: string[]; version?: number }).theirs ?? [];
    const { version: now } = problem.details as { version?: number };
    if (problem.code === "stale" && typeof item.body === "string") {
      const body = JSON.parse(item.body) as { seen?: number };
      if (between && body.seen === between.before && now === between.now) {
        const again = await send(item, newId(), JSON.stringify({ ...body, seen: now }));
        if (again.ok) return written(item, again);
        problem = (await again.json()) as Problem;
      }
    }
    const { code, message, next_step } = problem;
    await change({ ...item, state: "refused", problem: { code, message, next_step, theirs } });
  }

  /** What was refused, written all the same: on what stands now. */
  async function insist(item: Kept): Promise<void> {
    const first = await send(item, newId());
    if (first.ok) return done(item, first);
    const problem = (await first.json()) as Problem;
    const now = (problem.details as { version?: number }).version;
    if (problem.code === "stale" && typeof item.body === "string" && now !== undefined) {
      const said = JSON.parse(item.body) as { seen?: number };
      const again = await send(item, newId(), JSON.stringify({ ...said, seen: now }));
      if (again.ok) {
        own.set(item.target, { before: said.seen ?? now, now });
        return done(item, again);
      }
    }
    const { code, message, next_step } = problem;
    await change({ ...item, problem: { code, message, next_step, theirs: item.problem?.theirs ?? [] } });
  }
  async function done(item: Kept, answer: Response): Promise<void> {
    await written(item, answer);
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

/** Once before the first of a setting is sent: who else wrote there meanwhile is told by where it stands. */
async function lookBefore(item: Kept): Promise<void> {
  if (!item.target.startsWith("settings/") || own.has(item.target)) return;
  const found = await fetch(item.url.replace(/\/[^/]+$/, ""), { headers: { "X-Mechanic": item.actor } });
  const now = found.ok ? await version(found) : undefined;
  if (now !== undefined) own.set(item.target, { before: now, now });
}

async function written(item: Kept, answer: Response): Promise<void> {
  const was = own.get(item.target);
  const now = await version(answer);
  if (was && now !== undefined) own.set(item.target, { ...was, now });
  await letGo(item);
  if (!outbox.value.some((other) => other.target === item.target)) own.delete(item.target);
}

async function version(answer: Response): Promise<number | undefined> {
  const view = (await answer.json().catch(() => ({}))) as { version?: number };
  return view.version;
}
