import { ref, watch, type Ref } from "vue";
import { api, Refusal, unwrap, type SumView } from "../api/client";
import { draftFrom, givenFrom, type FormDraft } from "./useForm";

/** A sum answered as it is typed: asked again whenever an answer changes, the last one asked wins. */
export function useSum(kind: () => string, unit: () => string, draft: Ref<FormDraft>) {
  const view = ref<SumView | null>(null);
  const trouble = ref("");
  let turn = 0;
  async function ask() {
    const mine = ++turn;
    const id = kind();
    if (!id) return;
    if (view.value && view.value.kind !== id) view.value = null;
    const given = view.value ? givenFrom(view.value.fields, draft.value) : { ...sent(draft.value) };
    try {
      const found = await unwrap(
        api.POST("/api/sums/{kind_id}", {
          params: { path: { kind_id: id } },
          body: { given, unit: unit() === "thou" ? "thou" : "mm" },
        }),
      );
      if (mine !== turn) return;
      trouble.value = "";
      view.value = found;
      const fresh = found.fields.filter((f) => !(f.key in draft.value));
      if (fresh.length) draft.value = { ...draft.value, ...draftFrom(fresh) };
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      if (mine === turn) trouble.value = error.message;
    }
  }
  watch([() => ({ ...draft.value }), kind, unit], () => void ask(), { immediate: true });
  return { view, trouble };
}

const sent = (draft: FormDraft) =>
  Object.fromEntries(Object.entries(draft).filter(([, text]) => text !== ""));
