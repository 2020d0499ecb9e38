import { useRegisterSW } from "virtual:pwa-register/vue";

/** The page as it is kept by the browser; a newer one waits until somebody takes it. */
export function usePageVersion() {
  const { needRefresh, updateServiceWorker } = useRegisterSW({ immediate: true });
  return { newer: needRefresh, take: () => void updateServiceWorker(true) };
}
