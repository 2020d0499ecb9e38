import { openDB, type DBSchema, type IDBPDatabase } from "idb";

/** An answer of the server as it was last seen. */
export interface Seen {
  url: string;
  body: unknown;
  at: number;
}

/** Something that was done while the yard did not answer: sent once each, in their order, with the time they were
 * made. `state`: waits to be sent, or was refused and waits to be decided on; `insists`: it was decided that it is
 * written whatever came in between. */
export interface Kept {
  n?: number;
  url: string;
  body: string | Blob;
  type: string;
  key: string;
  actor: string;
  madeAt: number;
  /** What it belongs to: what comes after a refused move of the same waits for it. */
  target: string;
  label: string;
  /** The page on which it was done. */
  about: string;
  state: "waits" | "refused";
  insists?: boolean;
  problem?: { code: string; message: string; next_step: string; yours: string; theirs: string[] };
}

interface Schema extends DBSchema {
  seen: { key: string; value: Seen; indexes: { at: number } };
  outbox: { key: number; value: Kept };
}

let opened: Promise<IDBPDatabase<Schema>> | undefined;

/** What this browser keeps. It fails where the browser keeps nothing: a private window, or no room. */
export function db(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>("bornek", 1, {
    upgrade(made) {
      made.createObjectStore("seen", { keyPath: "url" }).createIndex("at", "at");
      made.createObjectStore("outbox", { keyPath: "n", autoIncrement: true });
    },
  });
  opened.catch(() => (opened = undefined));
  return opened;
}
