import { FITS, RESOURCES, WAITS } from "../stepWords";
import type { Column } from "./columns";
import { TORQUES_AGAIN } from "./proveColumns";

const label: Column = { key: "label", label: "Name", kind: "text" };

/** A step of the build as it is asked for. */
export const STEP_COLUMNS: Column[] = [
  label,
  { key: "parts", label: "Parts", kind: "many", options: "parts", first: true },
  { key: "counts", label: "How many of", kind: "counts", options: "several", first: true },
  { key: "needs", label: "Needs", kind: "many", options: "steps", first: true },
  { key: "fit", label: "Goes in", kind: "choice", fallback: "final", options: FITS },
  { key: "side", label: "Side", kind: "text" },
  { key: "way_round", label: "Which way round", kind: "text" },
  { key: "wrong_way", label: "What happens the wrong way round", kind: "text" },
  { key: "mark_at", label: "Mark at the hour (12 is up)", kind: "number" },
  { key: "torque", label: "Torque", kind: "text", first: true },
  { key: "stages", label: "Stages before it, with commas", kind: "words" },
  { key: "bolts", label: "Bolts in a circle", kind: "number" },
  { key: "again", label: "Torque checked again", kind: "choice", options: TORQUES_AGAIN, may_lack: true },
  { key: "setting", label: "Sets", kind: "choice", options: "settings", may_lack: true, first: true },
  { key: "hold", label: "Hold: what must be seen", kind: "text", first: true },
  { key: "hole", label: "Hole that must line up", kind: "text" },
  { key: "consumables", label: "Takes of the store, with commas", kind: "words" },
  { key: "open_minutes", label: "Sealant is open, minutes", kind: "number" },
  { key: "open_until", label: "Last bolt in step", kind: "choice", options: "steps", may_lack: true },
  { key: "locates", label: "The joint's thickness locates parts", kind: "yes" },
  { key: "closes", label: "Closes besides", kind: "many", options: "places" },
  { key: "takes_out", label: "Takes out again", kind: "many", options: "parts" },
  { key: "wait", label: "Then it waits", kind: "choice", options: WAITS, may_lack: true },
  { key: "wait_minutes", label: "It waits, minutes", kind: "number" },
  {
    key: "alone",
    label: "While it waits",
    kind: "choice",
    options: [
      ["yes", "may be left alone"],
      ["no", "somebody stays"],
    ],
    may_lack: true,
  },
  { key: "resource", label: "Takes", kind: "choice", options: RESOURCES, may_lack: true },
  { key: "tools", label: "Tools, with commas", kind: "words" },
  { key: "lift", label: "Rated point it hangs on", kind: "text" },
  { key: "support", label: "What carries it meanwhile", kind: "text" },
  { key: "minutes", label: "Hands, minutes", kind: "number" },
  { key: "hands", label: "Pairs of hands", kind: "number" },
  { key: "split", label: "May be split over closing time", kind: "yes" },
  { key: "turn", label: "Then turn by hand", kind: "choice", options: "shafts", may_lack: true },
];
