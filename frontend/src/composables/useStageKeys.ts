import { useRouter } from "vue-router";
import { useKeys, type KeyHandler } from "./useKeys";
import { nextTheme } from "./useTheme";

export const COMMON_KEYS: [string, string][] = [
  ["t", "Light, dark or as the system"],
  ["/", "Search the yard"],
  ["b", "Board"],
];

/** The keys that every page of a job has; `first` has its turn before them. */
export function useStageKeys(first: KeyHandler = () => false): void {
  const router = useRouter();
  useKeys((event, typing) => {
    if (first(event, typing)) return true;
    if (event.key === "t") nextTheme();
    else if (event.key === "b") void router.push("/");
    else if (event.key === "/") void router.push("/search");
    else return false;
    return true;
  });
}
