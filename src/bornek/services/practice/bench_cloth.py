"""The cloth lifted: true against believed, what was wrong, what told it first, and what the advice would have done."""

from __future__ import annotations

from collections.abc import Sequence

from bornek.core.phrases import lower_first
from bornek.core.practice.rigs.bench_rig import BenchRig
from bornek.core.practice.rigs.faults import WORDS
from bornek.core.practice.rigs.handled import Handled
from bornek.core.practice.rigs.learners import advice_log
from bornek.core.practice.score import Score
from bornek.core.settings.kind import speech
from bornek.services.practice.cloth import MARKS, Cloth, ClothRow, Result
from bornek.services.setting.load_setting import LoadedSetting

WORDS_OF = {
    "in": "Truly in, and as good as can be.",
    "more": "Truly in, in more teardowns than it needed.",
    "out": "Signed, and truly not as wanted.",
}


def lift_bench(rig: BenchRig, handled: Handled, loaded: LoadedSetting, score: Score) -> Cloth:
    truth, say = rig.truth(handled), speech(loaded.ctx)
    believed = next((r for r in loaded.sheet.outcome.results if r.role == "target"), None)
    value = getattr(believed.value, "v", None) if believed else None
    harmed = [n for n in range(2, handled.assembly + 1) if rig.harmed(rig.true(handled, n))]
    rows = [
        ClothRow(rig.title, "nothing" if value is None else f"{say.number(value)} {say.unit}",
                 f"{say.number(truth.value)} {say.unit}"),
        ClothRow("Wanted", _window(loaded), f"{truth.window.lo:g} to {truth.window.hi:g} mm"),
        ClothRow("It answers", _response(loaded), f"{truth.response:+.2f}"),
        ClothRow("Scatter of an assembly", "", f"{truth.scatter_um:.0f} µm"),
    ]  # fmt: skip
    if truth.give_um:
        rows.append(ClothRow("Give in the push", "", f"{truth.give_um:.0f} µm for 100 N"))
    result: Result = "out" if not truth.inside or harmed else "in" if score.as_good else "more"
    return Cloth(
        result=result,
        mark=MARKS[result],
        words=WORDS_OF[result],
        rows=rows,
        fault=WORDS[truth.fault],
        told_first=_told_first(rig, loaded),
        harm=f"Harm in teardown {harmed[0]}: driven past what the bearing bears." if harmed else "",
        advice=_advice(rig),
    )


def _told_first(rig: BenchRig, loaded: LoadedSetting) -> str:
    """What tells such a fault, and the round of this log that did: the first that speaks up, or lies off what was to
    be expected."""
    usually = rig.told_first()
    if not rig.fault:
        return usually
    history = loaded.reckoning.history
    rounds = history.rounds if history else ()
    for n in range(1, loaded.ctx.round + 1):
        spoke = next((c.sentence for c in loaded.reckoning.outcome(n).checks if c.severity != "note"), "")
        if not spoke and any(r.number == n and r.flagged for r in rounds):
            spoke = "It lay off what was to be expected."
        if spoke:
            return f"{usually} Here it was round {n}: {lower_first(spoke)}"
    return f"{usually} Nothing that was read here did."


def _window(loaded: LoadedSetting) -> str:
    results: Sequence[object] = [r.window for r in loaded.sheet.outcome.results if r.role == "target"]
    window = results[0] if results else None
    return "" if window is None else f"{getattr(window, 'lo', 0):g} to {getattr(window, 'hi', 0):g} mm"


def _response(loaded: LoadedSetting) -> str:
    found = loaded.sheet.response
    return "" if not found else f"{found[0]:+.2f} ± {2 * found[1]:.2f}"


def _advice(rig: BenchRig) -> list[str]:
    return [f"{f'Teardown {n}' if n else 'As found'}: {words}" for n, words in enumerate(advice_log(rig))]
