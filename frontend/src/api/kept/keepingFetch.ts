import { session } from "../session";
import { heard, link } from "./link";
import { keep, keepable } from "./outbox";
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
  const copy = writes ? request.clone() : request;
  try {
    const answer = await fetch(request);
    if (answer.status === 502 || answer.status === 503 || answer.status === 504) throw new Error("away");
    heard(answer);
    if (!writes && answer.ok) void keepSeen(request.url, answer.clone());
    return answer;
  } catch (error) {
    link.lost = true;
    const kept = writes ? await keptAnswer(copy) : await lastSeen(request.url);
    if (kept) return kept;
    throw error;
  }
}

async function keptAnswer(request: Request): Promise<Response | undefined> {
  if (!keepable(request.url) || !(await keep(request, session.actor))) return undefined;
  return new Response(JSON.stringify(KEPT), {
    status: 425,
    headers: { "Content-Type": "application/problem+json" },
  });
}
