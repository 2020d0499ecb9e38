/** Where what a write is answered with can be looked at again: a setting, a stage's page, the job. */
const LOOKS: [RegExp, string][] = [
  [/^(\/api\/settings\/[^/]+)\/(?:entries|acts|explanations|given|signatures)$/, "$1"],
  [/^(\/api\/jobs\/[^/]+)\/(?:facts|photos)$/, "$1/strip"],
  [/^(\/api\/jobs\/[^/]+)\/fits$/, "$1/inspection"],
  [/^(\/api\/jobs\/[^/]+)\/release$/, "$1/prove"],
  [/^(\/api\/jobs\/[^/]+\/(?:inspection|plan|fit|prove|train))$/, "$1"],
  [/^(\/api\/jobs\/[^/]+)\/(?:close|corrections|definition|hours|names|openings|serials)$/, "$1"],
];

/** Undefined where the answer of a write is no look at anything that is kept. A rig's own address stands before it. */
export function lookOf(url: string): string | undefined {
  const { origin, pathname } = new URL(url);
  const from = pathname.indexOf("/api/");
  const found = LOOKS.find(([form]) => form.test(pathname.slice(from)));
  return found && origin + pathname.slice(0, from) + pathname.slice(from).replace(...found);
}
