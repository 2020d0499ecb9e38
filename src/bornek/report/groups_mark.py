"""Windows of one quantity under each other on one scale, with what was measured laid through them."""

from __future__ import annotations

from reportlab.graphics.shapes import Drawing

from bornek.report.any_script import words_at, zone_head
from bornek.report.paint import BLUE, INK, PAD, STEEL, WHITE, Scene, box, stroke

ROW, HEAD, FOOT, GUTTER = 17.0, 30.0, 16.0, 30.0


def draw_groups(scene: Scene, width: float) -> Drawing:
    rows = scene["rows"]
    d = Drawing(width, HEAD + FOOT + ROW * len(rows))
    zone_head(d, f"{scene['label']}, {scene['unit']}", HEAD + FOOT + ROW * len(rows) - 10)
    left, right = PAD + GUTTER, width - PAD - 50
    per = (right - left) / ((scene["hi"] - scene["lo"]) or 1)

    def x(at: float) -> float:
        return float(left + (at - scene["lo"]) * per)

    top = FOOT + ROW * len(rows)
    d.add(box(left, FOOT, right - left, top - FOOT, STEEL, STEEL))
    for n, row in enumerate(rows):
        y = top - ROW * (n + 1)
        d.add(
            box(
                x(row["lo"]),
                y + 3,
                x(row["hi"]) - x(row["lo"]),
                ROW - 6,
                BLUE if row["stamped"] else WHITE,
                BLUE,
            )
        )
        d.add(words_at(left - 5, y + 5, row["name"], 8, row["stamped"], "end"))
        d.add(words_at(right + 4, y + 5, row["words"], 7))
    needle = scene["needle"]
    if needle is not None:
        for at in (needle["at"] - needle["give"], needle["at"] + needle["give"]):
            d.add(stroke(x(at), FOOT, x(at), top + 4, 1.2))
        d.add(words_at(x(needle["at"]), top + 6, needle["label"], 8, True, "middle"))
    d.add(stroke(left, FOOT, right, FOOT, 1.2))
    for tick in scene["ticks"]:
        d.add(stroke(x(tick["at"]), FOOT, x(tick["at"]), FOOT + 4, 0.8))
        d.add(words_at(x(tick["at"]), FOOT - 9, tick["label"], 6.5, anchor="middle", colour=INK))
    return d
