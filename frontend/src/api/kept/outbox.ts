import { shallowRef, toRaw } from "vue";
import { db, type Kept } from "./db";
import { link } from "./link";

/** What waits here, in the order in which it was made. */
export const outbox = shallowRef<Kept[]>([]);

/** What may be done without the yard: readings, moves, what is written down of a job, photos. */
const KEEPABLE =
  /\/api\/(settings\/[^/]+\/(entries|acts)|jobs\/[^/]+\/(facts|inspection|plan|fit|prove|train|photos))(\?|$)/;
const WHAT: [RegExp, string][] = [
  [/entries/, "Reading"],
  [/acts/, "Move"],
  [/photos/, "Photo"],
  [/./, "Note"],
];

/** What proves who somebody is. */
const SECRET = /"(second_)?pin":"./;

export const keepable = (url: string) => KEEPABLE.test(url);
/** A body that is never kept here. */
export const holdsSecret = (body: string | Blob) => typeof body === "string" && SECRET.test(body);

export async function readOutbox(): Promise<void> {
  try {
    outbox.value = await (await db()).getAll("outbox");
  } catch {
    link.keepsNothing ||= "outbox";
  }
}

/** Keeps a request; false where there is no room for it, or this browser keeps nothing. */
export async function keep(request: Request, body: string | Blob, actor: string): Promise<boolean> {
  const { pathname, search } = new URL(request.url);
  const type = request.headers.get("Content-Type") ?? "application/json";
  const target = pathname
    .replace(/^.*\/api\//, "")
    .split("/", 2)
    .join("/");
  try {
    const base = await db();
    await base.add("outbox", {
      url: pathname + search,
      body,
      type,
      key: request.headers.get("Idempotency-Key") ?? "",
      actor,
      madeAt: Date.now() - link.ahead,
      target,
      label: `${WHAT.find(([form]) => form.test(pathname))?.[1] ?? ""} ${told(body)}`.trim(),
      about: document.title,
      state: "waits",
    });
    await readOutbox();
    void navigator.storage?.persist?.();
    return true;
  } catch (error) {
    link.keepsNothing =
      error instanceof DOMException && error.name === "QuotaExceededError" ? "full" : "outbox";
    return false;
  }
}

export async function change(item: Kept): Promise<void> {
  await (await db()).put("outbox", { ...toRaw(item) });
  await readOutbox();
}

export async function letGo(item: Kept): Promise<void> {
  if (item.n !== undefined) await (await db()).delete("outbox", item.n);
  await readOutbox();
}

/** What is in it, as far as it can be said in a few letters. */
function told(body: string | Blob): string {
  if (typeof body !== "string") return "";
  const said = JSON.parse(body) as Record<string, unknown>;
  const inner = said.kind === undefined ? said : { ...said, ...(said.body as object | undefined) };
  const words = [inner.text, inner.kind, inner.part, inner.step].filter((x) => typeof x === "string");
  return words
    .filter((w) => w !== "move")
    .slice(0, 2)
    .join(" ")
    .replaceAll("_", " ");
}
