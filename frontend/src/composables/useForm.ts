import { ref, watch, type Ref } from "vue";
import { api, Refusal, unwrap, type FieldView } from "../api/client";

export type FormDraft = Record<string, string>;
interface Asked {
  kind: string;
  unit: string;
  job?: string;
  /** What is settled without being asked. */
  given?: Record<string, unknown>;
}

export function draftFrom(fields: FieldView[]): FormDraft {
  const text = (typed: unknown) =>
    Array.isArray(typed) ? typed.join("\n") : typed === null || typed === undefined ? "" : String(typed);
  return Object.fromEntries(fields.map((f) => [f.key, text(f.typed)]));
}

/** The answers as they are sent: empty ones left out, lines as a list. */
export function givenFrom(fields: FieldView[], draft: FormDraft): Record<string, unknown> {
  const given: Record<string, unknown> = {};
  for (const f of fields) {
    const text = draft[f.key] ?? "";
    if (text !== "") given[f.key] = f.quantity === "lines" ? text.split("\n").filter(Boolean) : text;
  }
  return given;
}

/** The form of any kind of setting or calculation as it stands for the answers so far: asked again whenever
 * one of them changes, because an answer may ask for more. */
export function useForm(asked: () => Asked, draft: Ref<FormDraft>, begin: FieldView[] = []) {
  const fields = ref<FieldView[]>(begin);
  const problems = ref<Record<string, string>>({});
  const title = ref("");
  const cautions = ref<string[]>([]);
  let turn = 0;
  async function ask() {
    const mine = ++turn;
    const { kind, unit, job, given } = asked();
    if (!kind) return;
    const sent = { ...given, ...givenFrom(fields.value, draft.value) };
    try {
      const form = await unwrap(
        api.POST("/api/kinds/{kind_id}/form", {
          params: { path: { kind_id: kind } },
          body: { given: sent, unit: unit === "thou" ? "thou" : "mm", job: job ?? "" },
        }),
      );
      if (mine !== turn) return;
      const fresh = form.fields.filter((f) => !(f.key in draft.value));
      fields.value = form.fields;
      problems.value = form.problems;
      title.value = form.title;
      cautions.value = form.cautions;
      if (fresh.length) draft.value = { ...draft.value, ...draftFrom(fresh) };
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
    }
  }
  watch([() => ({ ...draft.value }), () => asked().kind], () => void ask(), { immediate: true });
  return { fields, problems, title, cautions };
}
