import { session } from "../session";
import { heard, link } from "./link";
import { lookOf } from "./lookOf";
import { holdsSecret, keep, keepable } from "./outbox";
import { keepSeen, lastSeen } from "./seen";

/** What was kept answers so: nobody judged it yet. */
export const KEPT = {
  code: "kept",
  field: null,
  message: "Kept here: it is sent when the yard answers.",
  next_step: "Go on. It is judged when the yard answers.",
  details: {},
};

/** As `fetch`; where the yard does not answer, what was last seen is shown, and what may be done without it is kept. */
export async function keepingFetch(request: Request): Promise<Response> {
  const writes = request.method !== "GET";
  /** Read before it is sent: what was once half sent cannot be read again. */
  const body = writes && keepable(request.url) ? await bodyOf(request.clone()) : undefined;
  const asked = Date.now();
  try {
    const answer = await fetch(request);
    if (answer.status === 502 || answer.status === 503 || answer.status === 504) throw new Error("away");
    heard(answer);
    const look = writes ? lookOf(request.url) : request.url;
    if (look && answer.ok) void keepSeen(look, answer.clone(), writes ? Date.now() : asked);
    return answer;
  } catch (error) {
    link.lost = true;
    const kept = writes ? await keptAnswer(request, body) : await lastSeen(request.url);
    if (kept) return kept;
    throw error;
  }
}

const bodyOf = (request: Request) =>
  request.headers.get("Content-Type")?.startsWith("application/json") ? request.text() : request.blob();

async function keptAnswer(request: Request, body?: string | Blob): Promise<Response | undefined> {
  if (body === undefined || holdsSecret(body) || !(await keep(request, body, session.actor)))
    return undefined;
  return new Response(JSON.stringify(KEPT), {
    status: 425,
    headers: { "Content-Type": "application/problem+json" },
  });
}
