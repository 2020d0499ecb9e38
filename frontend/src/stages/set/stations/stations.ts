import type { Component } from "vue";
import type { Cell } from "../../../api/client";
import BetweenStation from "./BetweenStation.vue";
import ChoiceStation from "./ChoiceStation.vue";
import ConfirmStation from "./ConfirmStation.vue";
import PaintStation from "./PaintStation.vue";
import ScalarStation from "./ScalarStation.vue";
import TimeStation from "./TimeStation.vue";

interface Station {
  /** In the cell itself, or beside the row where it needs room. */
  where: "cell" | "beside";
  part: Component;
}

/** How a station takes its reading, by what it accepts; no page asks which kind it came from. */
const stations: Record<string, Station> = {
  scalar: { where: "cell", part: ScalarStation },
  between: { where: "cell", part: BetweenStation },
  time: { where: "cell", part: TimeStation },
  confirm: { where: "cell", part: ConfirmStation },
  choice: { where: "beside", part: ChoiceStation },
  paint: { where: "beside", part: PaintStation },
};

export function stationOf(cell: Cell, where: Station["where"]): Component | undefined {
  const found = stations[cell.accepts];
  return found?.where === where ? found.part : undefined;
}
