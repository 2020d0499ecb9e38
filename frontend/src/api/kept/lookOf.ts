/** Where what a write is answered with can be looked at again: a setting, a stage's page, the job, a list of the shop. */
const LOOKS: [RegExp, string][] = [
  [/^(\/api\/settings\/[^/]+)\/(?:entries|acts|explanations|given|signatures)$/, "$1"],
  [/^(\/api\/jobs\/[^/]+)\/(?:facts|photos)$/, "$1/strip"],
  [/^(\/api\/jobs\/[^/]+)\/fits$/, "$1/inspection"],
  [/^(\/api\/jobs\/[^/]+)\/release$/, "$1/prove"],
  [/^(\/api\/jobs\/[^/]+\/(?:inspection|plan|fit|prove|train))$/, "$1"],
  [/^(\/api\/jobs\/[^/]+)\/(?:close|corrections|definition|hours|names|openings|serials)$/, "$1"],
  [/^(\/api\/(?:cross-numbers|gauges|hours|limit-tables|look-fors|tools|yard))$/, "$1"],
  [/^(\/api\/unit-types\/(?!previews$|imports$)[^/]+)$/, "$1"],
  [/^(\/api\/drawer)\/(?:counts|measures)$/, "$1"],
  [/^(\/api\/gauges)\/[^/]+\/line$/, "$1"],
  [/^(\/api\/units\/[^/]+)\/done$/, "$1"],
  [/^\/api\/mechanics$/, "/api/yard"],
  [/^(\/api\/practice)\/wipes$/, "$1"],
  [/^(\/api\/rig)\/(?:asks|lifts|looks)$/, "$1"],
];

/** Undefined where the answer of a write is no look at anything that is kept. A rig's own address stands before it. */
export function lookOf(url: string): string | undefined {
  const { origin, pathname } = new URL(url);
  const from = pathname.indexOf("/api/");
  const found = LOOKS.find(([form]) => form.test(pathname.slice(from)));
  return found && origin + pathname.slice(0, from) + pathname.slice(from).replace(...found);
}
