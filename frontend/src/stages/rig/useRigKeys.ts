import { ref } from "vue";
import { useKeys } from "../../composables/useKeys";
import { nextTheme } from "../../composables/useTheme";
import { toTheRigs, type RigDesk } from "./useRig";

/** The keys of a rig that is no setting, and what is open over it: `own` come after what every rig answers, and only
 * until the cloth is lifted. */
export function useRigKeys(learner: RigDesk, own: (event: KeyboardEvent) => boolean) {
  const help = ref<"keys" | "cautions" | null>(null);
  const always: Record<string, () => unknown> = {
    b: toTheRigs,
    t: nextTheme,
    a: () => (help.value = "cautions"),
    "?": () => (help.value = "keys"),
  };
  const covered: Record<string, () => unknown> = {
    w: () => !learner.rig.value?.asked && learner.ask(),
    s: learner.lift,
  };
  useKeys((event) => {
    if (help.value) return false;
    const run = always[event.key] ?? (learner.rig.value?.cloth ? undefined : covered[event.key]);
    if (run) void run();
    return run !== undefined || (!learner.rig.value?.cloth && own(event));
  });
  return help;
}
