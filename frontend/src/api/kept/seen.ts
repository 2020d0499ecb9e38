import { db } from "./db";
import { link } from "./link";

/** So many answers are kept, the oldest go first. */
const MOST = 400;
/** What is only true while it is asked, or far too much. */
const PASSING = /\/(live|heard|search|deeds|people|what-if)(\/|$)|\/stations\//;

/** By address, as of when what is kept of it stands. */
const standing = new Map<string, number>();

/** What was answered as of a moment; one that is older than what is kept, a look overtaken by a write, is not kept. */
export async function keepSeen(url: string, answer: Response, asOf: number): Promise<void> {
  const { pathname } = new URL(url);
  if (PASSING.test(pathname) || !answer.headers.get("Content-Type")?.startsWith("application/json")) return;
  if (asOf < (standing.get(url) ?? 0)) return;
  standing.set(url, asOf);
  try {
    const base = await db();
    await base.put("seen", { url, body: without(pathname, await answer.json()), at: Date.now() });
    const over = (await base.count("seen")) - MOST;
    if (over > 0)
      for (const old of await base.getAllKeysFromIndex("seen", "at", undefined, over))
        await base.delete("seen", old);
  } catch {
    link.keepsNothing ||= "seen";
  }
}

/** What a page says with what it writes is the sign-in's own: it is asked for anew. */
function without(pathname: string, body: object): object {
  return pathname.endsWith("/api/me") ? { ...body, token: "" } : body;
}

/** The answer as it was last seen; undefined where it never was. */
export async function lastSeen(url: string): Promise<Response | undefined> {
  try {
    const found = await (await db()).get("seen", url);
    if (!found) return undefined;
    link.asOf = Math.max(link.asOf, found.at);
    return new Response(JSON.stringify(found.body), {
      headers: { "Content-Type": "application/json" },
    });
  } catch {
    return undefined;
  }
}

/** Whoever signs out leaves nothing behind that others could look at. What waits to be sent stays. */
export async function forgetSeen(): Promise<void> {
  await (await db()).clear("seen").catch(() => undefined);
}
