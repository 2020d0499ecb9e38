import { computed, type Ref } from "vue";
import type { Flank, Readout, Span } from "../../api/client";
import type { WhatIf } from "./useWhatIf";

const THOUSAND = 1000;
/** What is drawn on a flank: everything, what is seen alone, what is expected alone. */
const LAYERS: string[][] = [["wanted", "painted", "predicted"], ["wanted", "painted"], ["predicted"]];

/** What is drawn and said of the packs tried out: the exact picture once it is there, the blended one until then. */
export function useTriedScenes(tool: WhatIf, layer: Ref<number>) {
  const pairs = (flat: number[]): [number, number][] =>
    Array.from({ length: flat.length / 2 }, (_, i) => [
      (flat[2 * i] ?? 0) / THOUSAND,
      (flat[2 * i + 1] ?? 0) / THOUSAND,
    ]);
  const blended = computed((): Flank[] =>
    (tool.view.value?.flanks ?? []).map((f, i) => {
      const outline = pairs(tool.rings.value?.[i] ?? []);
      if (!outline.length) return f;
      return { ...f, patches: [...f.patches, { role: "predicted", points: [], centre: null, outline }] };
    }),
  );
  const flanks = computed((): Flank[] =>
    (tool.tried.value?.flanks ?? blended.value).map((f) => ({
      ...f,
      patches: f.patches.filter((p) => LAYERS[layer.value]?.includes(p.role)),
    })),
  );
  const readout = computed((): Readout | null => {
    const shown = tool.view.value?.readout;
    if (!shown) return null;
    if (tool.tried.value?.readout) return tool.tried.value.readout;
    const [p, q] = tool.at.value;
    const middle = tool.view.value?.lash_mm[p]?.[q];
    if (middle === undefined) return shown;
    const label = tool.view.value?.lash[p]?.[q] ?? "";
    return { ...shown, landing: { lo: middle, hi: middle, label, middle, open_lo: false, open_hi: false } };
  });
  const odds = computed(() => {
    const [p, q] = tool.at.value;
    const chance = tool.view.value?.odds[p]?.[q];
    return chance === undefined ? "" : `${chance} in 100 that all land in.`;
  });
  const say = computed((): Span[] => {
    if (tool.tried.value) return [...tool.tried.value.say, { text: tool.tried.value.expect, move: false }];
    const [p, q] = tool.at.value;
    const parts = (tool.view.value?.sliders ?? []).flatMap((s, k): Span[] => [
      { text: `${s.title} `, move: false },
      { text: s.places[k ? q : p]?.label ?? "", move: true },
      { text: ". ", move: false },
    ]);
    return [...parts, { text: `Expect backlash ${tool.view.value?.lash[p]?.[q] ?? ""}.`, move: false }];
  });
  return { flanks, readout, odds, say };
}
