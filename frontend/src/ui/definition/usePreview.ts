import { keepPreviousData, useQuery } from "@tanstack/vue-query";
import { computed, ref, watch, type Ref } from "vue";
import { api, unwrap } from "../../api/client";
import type { Definition } from "./columns";

const PAUSE_MS = 200;

/** How a definition draws and what does not hold in it yet, asked again a moment after each change. The last good
 * drawing stays until there is another. */
export function usePreview(definition: Ref<Definition>) {
  const asked = ref(JSON.stringify(definition.value));
  let later: ReturnType<typeof setTimeout> | undefined;
  watch(definition, (now) => {
    clearTimeout(later);
    later = setTimeout(() => (asked.value = JSON.stringify(now)), PAUSE_MS);
  });
  const { data } = useQuery({
    queryKey: computed(() => ["preview", asked.value]),
    queryFn: () =>
      unwrap(
        api.POST("/api/unit-types/previews", { body: { definition: JSON.parse(asked.value) as Definition } }),
      ),
    placeholderData: keepPreviousData,
    refetchOnWindowFocus: false,
  });
  const troubles = computed(() => data.value?.troubles ?? []);
  /** Beside each field what is wrong with it, by its path. */
  const problems = computed(() => Object.fromEntries(troubles.value.map((t) => [t.path, t.why])));
  return { data, troubles, problems };
}
export type Preview = ReturnType<typeof usePreview>;
