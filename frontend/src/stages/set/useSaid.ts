import { computed } from "vue";
import type { SetPageState } from "./useSetPage";

/** What the page of a setting says: the sentence, and beside it how it stands. */
export function useSaid(page: SetPageState) {
  const say = computed(() => {
    const option = page.preview?.option;
    if (page.signed?.broken.length)
      return [{ text: "Signed, but the signature does not hold.", move: false }];
    return option ? option.say.concat([{ text: option.expect, move: false }]) : (page.sheet?.say ?? []);
  });
  const head = computed(() =>
    page.signed
      ? `Signed by ${page.signed.by}: ${page.signed.verdict.replace("_", " ")}`
      : (page.sheet?.aside_head ?? ""),
  );
  const aside = computed(() => {
    const lacking = page.signed?.not_held.join(", ");
    return lacking ? `This older signature does not hold: ${lacking}.` : (page.sheet?.aside ?? "");
  });
  const canMove = computed(() => Boolean(page.sheet?.state_known && !page.sheet.surprise));
  return { say, head, aside, canMove };
}
