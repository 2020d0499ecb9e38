import { useTimeoutFn } from "@vueuse/core";
import { ref } from "vue";
import { api, done, Refusal } from "../../api/client";

const REFUSED_MS = 4000;
const NO_YARD = "The yard does not answer. Type the readings: they are kept here.";
const NOT_YET = "Not taken: the gauge is being opened. Press again in a moment.";

/** Why nothing comes of a gauge: what the yard says, or that it says nothing. */
export function whyNot(error: unknown): string {
  const problem = error instanceof Refusal ? error.problem : undefined;
  const reached = problem && problem.code !== "unreachable";
  return reached ? `${problem.message} ${problem.next_step}` : NO_YARD;
}

/** What is done at a gauge from the page, and why nothing came of it: said by the gauge, for as long as it takes to read. */
export function usePresses() {
  const refused = ref<Record<string, string>>({});
  const { start: forgetLater } = useTimeoutFn(() => (refused.value = {}), REFUSED_MS, { immediate: false });

  function refuse(gauge: string, words: string) {
    refused.value[gauge] = words;
    forgetLater();
  }
  const settle = (gauge: string) => void (refused.value[gauge] = "");

  /** Does what a pedal does; a gauge that nobody has heard yet has nothing to take. */
  function press(gauge: string, heard: boolean) {
    const path = { gauge_id: gauge };
    if (!heard) refuse(gauge, NOT_YET);
    else void sent(gauge, done(api.POST("/api/gauges/{gauge_id}/presses", { params: { path } })));
  }
  function meanUnit(gauge: string, unit: string) {
    const path = { gauge_id: gauge };
    void sent(gauge, done(api.POST("/api/gauges/{gauge_id}/unit", { params: { path }, body: { unit } })));
  }
  async function sent(gauge: string, answer: Promise<void>) {
    try {
      await answer;
    } catch (error) {
      refuse(gauge, whyNot(error));
    }
  }
  return { refused, refuse, settle, press, meanUnit };
}
