import { useSessionStorage } from "@vueuse/core";
import { toValue, type MaybeRefOrGetter, type Ref } from "vue";

/** What is typed and not sent yet: it outlives a reload of the page. Set it to its first value to let it go. */
export function useKept<T extends object | string>(what: MaybeRefOrGetter<string>, first: T): Ref<T> {
  return useSessionStorage(() => `bornek.${toValue(what)}`, first as never) as unknown as Ref<T>;
}
