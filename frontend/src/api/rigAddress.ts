/** A rig's yard has an address of its own, and every page of the application works below it: what stands before its
 * paths; nothing in the yard itself. */
export const rigBase = /^\/rigs\/[0-9a-f]{32}(?=\/|$)/.exec(window.location.pathname)?.[0] ?? "";

/** An address of the server where it is reached from here. */
export function at(path: string): string {
  return rigBase + path;
}
