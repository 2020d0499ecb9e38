"""Strip, pack and round log as PDF vectors, from the same scenes that the page draws."""

from __future__ import annotations

from reportlab.graphics.shapes import Drawing, Group, Polygon, Rect

from bornek.report.any_script import words_at
from bornek.report.paint import (
    BLUE,
    HAIR,
    INK,
    INK_2,
    PAD,
    STEEL,
    TINT,
    WHITE,
    YELLOW,
    Scale,
    Scene,
    box,
    stroke,
)


def draw_readout(scene: Scene, width: float) -> Drawing:
    """The readout strip: rule, window, aim, readings, needle and landing."""
    d, x, base, high = Drawing(width, 74), Scale(scene["lo"], scene["hi"], width), 16.0, 24.0
    d.add(box(x(scene["lo"]), base, x(scene["hi"]) - x(scene["lo"]), high, STEEL))
    other = scene.get("window_not_in_force")
    if other:
        left, right = x(other["lo"]), x(other["hi"])
        d.add(box(left, base + 1, right - left, high - 2, WHITE))
        for end in (left, right):
            d.add(stroke(end, base, end, base + high, 1, BLUE, [3, 2]))
        middle = (left + right) / 2
        d.add(words_at(middle, base + high / 2 - 2, other["label"], 6, anchor="middle", colour=INK_2))
    if scene["window"]:
        w = scene["window"]
        d.add(box(x(w["lo"]), base, x(w["hi"]) - x(w["lo"]), high, BLUE))
        for end, is_open in ((w["lo"], w["open_lo"]), (w["hi"], w["open_hi"])):
            if not is_open:
                d.add(stroke(x(end), base, x(end), base + high + 8, 1.5, BLUE))
        far_left = scene["needle"] is not None and x(scene["needle"]["at"]) > width / 2
        d.add(
            words_at(
                PAD if far_left else width - PAD,
                base + high + 24,
                f"window {w['label']} {scene['unit']}",
                8,
                anchor="start" if far_left else "end",
                colour=BLUE,
            )
        )
    for tick in scene["ticks"]:
        long = bool(tick["label"])
        d.add(stroke(x(tick["at"]), base, x(tick["at"]), base + (6 if long else 3), 0.7))
        if long:
            d.add(words_at(x(tick["at"]), base - 9, tick["label"], 7, anchor="middle", colour=INK_2))
    d.add(stroke(x(scene["lo"]), base, x(scene["hi"]), base, 1.2))
    if scene["aim"] is not None:
        d.add(stroke(x(scene["aim"]), base, x(scene["aim"]), base + high, 1, WHITE))
    for reading in scene["readings"]:
        d.add(stroke(x(reading), base + high, x(reading), base + high - 9, 1.2))
    if scene["landing"]:
        a = scene["landing"]
        d.add(box(x(a["lo"]), base + 3, x(a["hi"]) - x(a["lo"]), 7, YELLOW, INK))
    if scene["needle"]:
        _needle(d, scene["needle"], x, base + high)
    return d


def _needle(d: Drawing, n: Scene, x: Scale, top: float) -> None:
    at = x(n["at"])
    d.add(stroke(at, top, at, top + 30, 1.8))
    d.add(Polygon([at - 4, top + 8, at + 4, top + 8, at, top], fillColor=INK, strokeWidth=0))
    lo, hi = x(n["at"] - n["give"]), x(n["at"] + n["give"])
    d.add(stroke(lo, top + 12, hi, top + 12, 1.5))
    for end in (lo, hi):
        d.add(stroke(end, top + 9, end, top + 15, 1.5))
    right = at < x.width * 0.6
    d.add(
        words_at(
            at + (6 if right else -6),
            top + 20,
            f"{n['label']} {n['give_label']}",
            11,
            True,
            "start" if right else "end",
        )
    )


def draw_pack(scene: Scene, width: float) -> Drawing:
    """The pack as stacked plates, bottom first, on the housing."""
    plates = scene["now"]
    scale = min(60.0, 90.0 / max(sum(p["thickness"] for p in plates), 0.3))
    heights = [max(p["thickness"] * scale, 5.0) for p in plates]
    d, y = Drawing(width, sum(heights) + 24), 10.0
    d.add(box(PAD, 4, width - 2 * PAD, 6, HAIR))
    for plate, height in zip(plates, heights, strict=True):
        d.add(box(PAD + 14, y, width - 60, height, STEEL, INK))
        d.add(words_at(width - 40, y + height / 2 - 3, plate["label"], 8, True))
        y += height
    d.add(words_at(PAD, y + 5, f"pack {scene['now_label']}", 8, True))
    return d


def draw_log(scene: Scene, width: float) -> Drawing:
    """Round by round on the strip's scale: found as a disc, predicted as a yellow bar."""
    rows, step = scene["rows"], 20.0
    d, x = Drawing(width, len(rows) * step + 6), Scale(scene["lo"], scene["hi"], width)
    if scene["window"]:
        w = scene["window"]
        d.add(box(x(w["lo"]), 0, x(w["hi"]) - x(w["lo"]), len(rows) * step, TINT))
    before: tuple[float, float] | None = None
    for i, row in enumerate(rows):
        y = (len(rows) - i - 0.5) * step
        d.add(words_at(PAD, y + 3, f"{row['label']}  {row['pack']}", 7.5))
        if row.get("window"):
            w = row["window"]
            d.add(box(x(w["lo"]), y - 6, x(w["hi"]) - x(w["lo"]), 12, TINT))
        if row["predicted"]:
            p = row["predicted"]
            d.add(box(x(p["lo"]), y - 3, x(p["hi"]) - x(p["lo"]), 6, YELLOW, INK))
        if row["found"]:
            before = _found(d, row, x, y, before)
    return d


def _found(
    d: Drawing, row: Scene, x: Scale, y: float, before: tuple[float, float] | None
) -> tuple[float, float]:
    at = x(row["found"]["at"])
    if before is not None:
        d.add(stroke(before[0], before[1], at, y, 1))
    mark = Group()
    mark.add(
        stroke(
            x(row["found"]["at"] - row["found"]["give"]),
            y,
            x(row["found"]["at"] + row["found"]["give"]),
            y,
            1.5,
        )
    )
    mark.add(Rect(at - 3, y - 3, 6, 6, rx=3, ry=3, fillColor=INK, strokeWidth=0))
    d.add(mark)
    right = at < x.width * 0.7
    label = row["found"]["label"]
    start = x(row["predicted"]["hi"]) + 6 if right and row["predicted"] else at + (10 if right else -10)
    start = max(start, at + 10) if right else start
    wide = 5.0 * len(label)
    d.add(box(start if right else start - wide, y - 5, wide, 10, WHITE))
    d.add(words_at(start, y - 3, label, 8, True, "start" if right else "end"))
    return at, y
