"""What a train's own definition says before anything is turned: two gears at once, a reverse that runs forward."""

from __future__ import annotations

from bornek.core.train.positions import Train


def warnings(train: Train) -> list[str]:
    """What does not hold together in levers, interlocks and ratios, in words.

    >>> from bornek.core.units.definition import Definition
    >>> warnings(Train(Definition()))
    []
    """
    found = [f"{p.label}: {p.trouble}" for p in train.positions if p.trouble]
    found += [
        f"{p.label} together lock the train, and nothing keeps the levers apart: an interlock is missing."
        for p in train.reached
        if p.locked and train.d.levers
    ]
    return [*found, *_backward(train)]


def _backward(train: Train) -> list[str]:
    """Positions that turn the output against what they are called."""
    said = []
    for out in train.outputs:
        sides = {
            p.label: (p.back, p.turns(out)) for p in train.driving if out not in p.unsure and p.turns(out)
        }
        forward = [s for back, s in sides.values() if not back and s]
        if not forward:
            continue
        ahead = sum(s > 0 for s in forward) * 2 >= len(forward)
        for label, (back, speed) in sides.items():
            if speed and ((speed > 0) == ahead) == back:
                words = "backward" if back else "forward"
                said.append(
                    f"{label} is to turn it {words}, and by its gears it does not: an idler is missing from what is "
                    "written down, or a bevel gear is drawn on the wrong side."
                )
    return said


def forward_way(train: Train, member: str) -> str:
    """Which way a member turns going forward, seen from its left or top end; empty where positions differ or nobody
    said how the input turns."""
    shaft = train.d.shaft(train.turned)
    if shaft is None or not shaft.turns:
        return ""
    signs = {
        (speed > 0) == (shaft.turns == "clockwise")
        for p in train.driving
        if not p.back and member not in p.unsure and (speed := p.turns(member))
    }
    if len(signs) != 1 or any(member in p.unsure for p in train.driving):
        return ""
    return "clockwise" if signs.pop() else "counter-clockwise"
