"""A quantity's life as PDF vectors: its rule, the visits down the years, where the limit is met."""

from __future__ import annotations

from reportlab.graphics.shapes import Circle, Drawing, Rect

from bornek.report.any_script import words_at, zone_head
from bornek.report.paint import BLUE, INK, INK_2, STEEL, TINT, WHITE, YELLOW, Scene, stroke

GUTTER, TOP, RULE, ROW = 76.0, 74.0, 16.0, 44.0


def draw_life(scene: Scene, width: float) -> Drawing:
    """Open discs were left, filled ones found; between them it wore; the yellow bar is the band of the date."""
    visits, fan = scene["visits"], scene["fan"]
    tall = ROW * max(1, len(visits) - 1 + bool(fan))
    d = Drawing(width, TOP + tall + 26)
    top = TOP + tall + 26
    zone_head(d, f"{scene['label']}, {scene['unit']}", top - 12)
    lo: float = scene["lo"]
    hi: float = scene["hi"]

    def x(at: float) -> float:
        return GUTTER + (min(max(at, lo), hi) - lo) / (hi - lo) * (width - GUTTER - 40)

    def y(at: float) -> float:
        return top - TOP - at * tall

    rule = top - 46
    if scene["window"]:
        left, right = x(scene["window"]["lo"]), x(scene["window"]["hi"])
        d.add(Rect(left, 4, right - left, rule - 4, fillColor=TINT, strokeColor=None))
    d.add(Rect(x(lo), rule, x(hi) - x(lo), RULE, fillColor=STEEL, strokeColor=None))
    if scene["window"]:
        d.add(Rect(left, rule, right - left, RULE, fillColor=BLUE, strokeColor=None))
    d.add(stroke(x(lo), rule, x(hi), rule, 1))
    for tick in scene["ticks"]:
        d.add(stroke(x(tick["at"]), rule, x(tick["at"]), rule + (6 if tick["label"] else 3), 0.6))
        if tick["label"]:
            d.add(words_at(x(tick["at"]), rule - 9, tick["label"], 7, anchor="middle"))
    if scene["limit"]:
        at = x(scene["limit"]["at"])
        d.add(stroke(at, 4, at, rule + RULE + 6, 1, BLUE, [3, 2]))
        d.add(
            words_at(
                at, rule + RULE + 8, f"at most {scene['limit']['label']}", 7, anchor="middle", colour=INK_2
            )
        )
    _visits(d, scene, x, y, width)
    if fan:
        _fan(d, scene, x, y)
    return d


def _visits(d: Drawing, scene: Scene, x: object, y: object, width: float) -> None:
    assert callable(x)
    assert callable(y)
    before = None
    for v in scene["visits"]:
        level = y(v["at"])
        d.add(stroke(0, level, width, level, 0.4, INK_2))
        d.add(words_at(0, level + 3, v["label"], 8, True))
        d.add(words_at(0, level - 9, v["words"], 7, colour=INK_2))
        start = (before["left"] or before["found"]) if before else None
        if before and start and v["found"]:
            x1, y1, x2 = x(start["at"]), y(before["at"]), x(v["found"]["at"])
            d.add(stroke(x1, y1, x2, level, 1))
            d.add(words_at((x1 + x2) / 2 + 5, (y1 + level) / 2, v["rate"], 7))
        if v["found"]:
            d.add(Circle(x(v["found"]["at"]), level, 3.4, fillColor=INK, strokeColor=WHITE, strokeWidth=0.8))
            d.add(words_at(x(v["found"]["at"]) + 6, level - 2.5, v["found"]["label"], 8, True))
        if v["left"]:
            d.add(Circle(x(v["left"]["at"]), level, 3, fillColor=WHITE, strokeColor=INK, strokeWidth=1.2))
        before = v


def _fan(d: Drawing, scene: Scene, x: object, y: object) -> None:
    assert callable(x)
    assert callable(y)
    fan, last, at = scene["fan"], scene["visits"][-1], x(scene["limit"]["at"])
    start = last["left"] or last["found"]
    if start:
        for end in (fan["early"], fan["late"]):
            d.add(stroke(x(start["at"]), y(last["at"]), at, y(end), 0.8, INK, [3, 2]))
    low, high = y(fan["late"]), y(fan["early"])
    d.add(Rect(at - 3.5, low, 7, max(high - low, 4), fillColor=YELLOW, strokeColor=INK, strokeWidth=0.8))
    d.add(words_at(at - 8, y(fan["likely"]), fan["label"], 9, True, "end"))
    d.add(words_at(at - 8, y(fan["likely"]) - 10, fan["words"], 7, anchor="end", colour=INK_2))
