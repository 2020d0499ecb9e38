import type { Kept } from "./db";
import { lookOf } from "./lookOf";
import { letGo, outbox } from "./outbox";
import { keepSeen } from "./seen";

/** Where a setting stood before this tablet's own writes of this sending, and where it stands after them. */
const own = new Map<string, { before: number; now: number }>();

/** Once before the first of a setting is sent: who else wrote there meanwhile is told by where it stands. */
export async function lookBefore(item: Kept): Promise<void> {
  if (!item.target.startsWith("settings/") || own.has(item.target)) return;
  const found = await fetch(item.url.replace(/\/[^/]+$/, ""), { headers: { "X-Mechanic": item.actor } });
  const now = found.ok ? await version(found) : undefined;
  if (now !== undefined) own.set(item.target, { before: now, now });
}

/** Whether what was made on what was last seen may go on what stands now: nothing but this tablet's own writes came in
 * between, or somebody looked at what did and said so. */
export function mayFollow(item: Kept, now: number): boolean {
  const stood = own.get(item.target);
  return item.insists === true || (stood?.before === seen(item) && stood?.now === now);
}

/** The same on what stands now, as another request. */
export function onto(item: Kept, now: number, key: string): Kept {
  const before = seen(item);
  if (before !== undefined) own.set(item.target, { before, now });
  const body = JSON.stringify({ ...(JSON.parse(String(item.body)) as object), seen: now });
  return { ...item, body, key };
}

/** It was written: what it was answered is what was last seen, and it is kept no more. */
export async function written(item: Kept, answer: Response): Promise<void> {
  const look = lookOf(new URL(item.url, location.origin).href);
  if (look) await keepSeen(look, answer.clone(), Date.now());
  const stood = own.get(item.target);
  const now = await version(answer);
  if (stood && now !== undefined) own.set(item.target, { ...stood, now });
  await letGo(item);
  if (!outbox.value.some((other) => other.target === item.target)) own.delete(item.target);
}

function seen(item: Kept): number | undefined {
  return typeof item.body === "string" ? (JSON.parse(item.body) as { seen?: number }).seen : undefined;
}

async function version(answer: Response): Promise<number | undefined> {
  const view = (await answer.json().catch(() => ({}))) as { version?: number };
  return view.version;
}
