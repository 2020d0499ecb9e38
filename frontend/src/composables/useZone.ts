import { computed, toValue, type MaybeRefOrGetter, type WritableComputedRef } from "vue";
import { useRoute, useRouter } from "vue-router";

/** Which leaf of a page is open: it stands in the address, so that a link can lead there and back goes back. */
export function useZone<Zone extends string>(
  first: MaybeRefOrGetter<Zone>,
  zones: readonly Zone[],
): WritableComputedRef<Zone> {
  const route = useRoute();
  const router = useRouter();
  return computed({
    get: () => zones.find((zone) => zone === route.query.zone) ?? toValue(first),
    set: (zone) => void router.replace({ query: { ...route.query, zone } }),
  });
}
