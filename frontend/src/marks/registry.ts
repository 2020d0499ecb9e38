import type { Component } from "vue";
import type { Scene } from "../api/client";
import BoltsMark from "./BoltsMark.vue";
import CircleMark from "./CircleMark.vue";
import DialMark from "./DialMark.vue";
import FlankMark from "./FlankMark.vue";
import GearsMark from "./GearsMark.vue";
import GroupsMark from "./GroupsMark.vue";
import LadderMark from "./LadderMark.vue";
import LifeMark from "./LifeMark.vue";
import PackMark from "./PackMark.vue";
import RingMark from "./RingMark.vue";
import RoundLogMark from "./RoundLogMark.vue";
import SectionMark from "./SectionMark.vue";
import StepsMark from "./StepsMark.vue";
import ReadoutMark from "./ReadoutMark.vue";
import TableMark from "./TableMark.vue";

const marks: Partial<Record<Scene["type"], Component>> = {
  readout: ReadoutMark,
  log: RoundLogMark,
  pack: PackMark,
  circle: CircleMark,
  ladder: LadderMark,
  steps: StepsMark,
  table: TableMark,
  flank: FlankMark,
  section: SectionMark,
  bolts: BoltsMark,
  dial: DialMark,
  groups: GroupsMark,
  gears: GearsMark,
  ring: RingMark,
  life: LifeMark,
};

/** The drawing registered for a type of scene. */
export function markOf(type: Scene["type"]): Component | undefined {
  return marks[type];
}
