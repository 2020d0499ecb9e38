"""Heating the hub and chilling the shaft: how hot, how cold, for how long, and what it must not exceed."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.fits.cooling import Pair
from bornek.core.fits.heat_form import form_of
from bornek.core.fits.heat_plan import (
    ENTERING_SHARE,
    Combination,
    combination,
    coolant_kg,
    least_chill,
    soak_minutes,
)
from bornek.core.fits.heat_scenes import bare, safe_band
from bornek.core.fits.media import (
    COLDEST_RING,
    COOLERS,
    LATENT_J_PER_KG,
    cooler,
    heater,
    hot_limit,
    media,
)
from bornek.core.fits.sums import (
    MAKERS,
    FitSum,
    line,
    material_of,
    number_of,
    or_else,
    size_line,
    temperature_words,
)
from bornek.core.phrases import Say, Span, plain, text_of
from bornek.core.settings.kind import Check, Field, Outcome, Result, speech
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.windows import Normal, Window, verdict
from bornek.core.working import Line, Working

LIQUID = frozenset({"oil", "water", "dry_ice", "nitrogen"})


@register
class HeatAndCold(FitSum):
    id = "fit_heat"
    title = "Heating and chilling"
    group = "Heat and cold"
    cautions = (
        "Gloves to the elbow; nut, drift and feelers laid out first; a bearing never over its limit; flame never.",
        "Dry ice and nitrogen burn the skin and take the air away: open doors, never in a pit or a closed room.",
        "An oil bath flashes: lid and extinguisher at hand, no water near, never left alone.",
        MAKERS,
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return form_of()

    def pair(self, ctx: Context) -> Pair:
        return Pair(
            float(ctx.given["d"]),
            float(ctx.given["interference"]),
            material_of(ctx, "hub"),
            material_of(ctx, "shaft"),
            or_else(ctx, "room_c", 20.0),
        )

    def entering(self, ctx: Context) -> float:
        return or_else(ctx, "entering", float(ctx.given["d"]) * ENTERING_SHARE)

    def limit_c(self, ctx: Context) -> tuple[float, str]:
        """What the hub may be heated to, and by what row."""
        own, part = number_of(ctx, "own_limit"), hot_limit(str(ctx.given["hub_is"]))
        return (part.usual_c, part.row) if own is None else (own, "limit given by the maker's paper")

    def most_c(self, ctx: Context) -> tuple[float, str]:
        """What the hub can and may be heated to, and by what row: the tighter of its limit and the heater's reach."""
        limit, hot = self.limit_c(ctx), heater(str(ctx.given["heater"]))
        reach = (hot.high_c, hot.row) if hot else (or_else(ctx, "room_c", 20.0), "it is not heated")
        own_reach = number_of(ctx, "heater_c")
        if hot and own_reach is not None:
            reach = (own_reach, f"{hot.name}, as its card says")
        return min(limit, reach)

    def combinations(self, ctx: Context) -> list[Combination]:
        """One for each way to chill, the chosen heater's reach and every limit kept."""
        pair, entering, (most, _) = self.pair(ctx), self.entering(ctx), self.most_c(ctx)
        coldest = media()[COLDEST_RING].usual_c if ctx.given["shaft_is"] == "ring" else -math.inf
        found = []
        for key, (_, words) in COOLERS.items():
            cold = cooler(key)
            own_cold = number_of(ctx, "cooler_c") if key == ctx.given["cooler"] else None
            shaft_c = min(cold.high_c if own_cold is None else own_cold, pair.room_c) if cold else pair.room_c
            barred = f"a bearing ring not below {temperature_words(coldest)}" if shaft_c < coldest else ""
            label = f"shaft in {words}" if cold else "shaft as it is"
            found.append(combination(pair, entering, label, shaft_c, most, barred))
        return found

    def chosen(self, ctx: Context) -> Combination:
        return self.combinations(ctx)[list(COOLERS).index(str(ctx.given["cooler"]))]

    def evaluate(self, ctx: Context) -> Outcome:
        outside = number_of(ctx, "outside")
        if outside is not None and outside <= float(ctx.given["d"]):
            raise RangeError(
                f"The hub's outside ({outside:g}) must be larger than its seat ({float(ctx.given['d']):g}).",
                field="outside",
                next_step="Measure the hub's outside.",
            )
        all_ways, best = self.combinations(ctx), self.chosen(ctx)
        _, row = self.most_c(ctx)
        window = Window(None, best.most_c, row)
        value = Normal(round(best.drops_on_c, 6), 0.0)
        judged = verdict(value, window)
        result = Result(
            "hub_c",
            "Hub temperature to slide on",
            "temperature",
            value,
            window,
            working=self._working(ctx, best, row),
            verdict=judged,
        )
        checks = list(self._checks(ctx, all_ways, best))
        return Outcome(
            (result, *self._amounts(ctx, best)),
            tuple(checks),
            judged,
            instruct=text_of(self.speak_of(ctx, best)),
            scenes=safe_band(all_ways, best, self.pair(ctx).room_c),
        )

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        return self.speak_of(ctx, self.chosen(ctx))

    def speak_of(self, ctx: Context, best: Combination) -> Say:
        if not best.possible:
            other = least_chill(self.combinations(ctx))
            why = (
                best.barred
                or f"it would take {temperature_words(best.drops_on_c)}, and {temperature_words(best.most_c)} is the most"
            )
            if other is None:
                return plain(f"Not by heat and cold: {why}. Press it, or take a looser fit.")
            return (
                Span(f"Not so: {why}. With the "),
                Span(other.label, True),
                Span(f" {temperature_words(other.drops_on_c)} does it."),
            )
        if best.drops_on_c <= self.pair(ctx).room_c:
            return (
                Span("Chill the "),
                Span("shaft", True),
                Span(
                    f" to {temperature_words(best.shaft_c)} and leave the hub as it is. Once it touches you have seconds."
                ),
            )
        chill = (
            (Span(", chill the "), Span("shaft", True), Span(f" to {temperature_words(best.shaft_c)}"))
            if best.shaft_c < self.pair(ctx).room_c
            else ()
        )
        return (
            Span("Heat the "),
            Span("hub", True),
            Span(" to "),
            Span(temperature_words(math.ceil(best.drops_on_c)), True),
            *chill,
            Span(f". {self._hurry(ctx, best)}"),
        )

    def _hurry(self, ctx: Context, best: Combination) -> str:
        touch = "once it touches the shaft you have seconds."
        if best.grips_c <= self.pair(ctx).room_c:
            return f"It stays free while the shaft is cold; {touch}"
        grips, home = temperature_words(best.grips_c), temperature_words(best.home_c)
        return f"It grips at {grips}. Be home before {home}; {touch}"

    def head(self, ctx: Context, outcome: Outcome) -> tuple[str, str]:
        best, pair = self.chosen(ctx), self.pair(ctx)
        if not best.possible:
            return "", ""
        outside, how = number_of(ctx, "outside"), str(ctx.given["heater"])
        if how == "induction":
            return "No soak", "Probe on the inner ring; demagnetise it afterwards."
        if outside is None:
            return f"At most {temperature_words(best.most_c)}", "Give the hub's outside for the soak."
        soak = soak_minutes((outside - pair.d_mm) / 2, how in LIQUID)
        return (
            f"Hold {soak:.0f} min",
            f"at temperature, by its wall; an estimate. At most {temperature_words(best.most_c)}.",
        )

    def _checks(self, ctx: Context, ways: Sequence[Combination], best: Combination) -> list[Check]:
        found = []
        if not best.possible:
            found.append(Check("not_so", "stop", best.barred or "Beyond the limit.", "stop"))
        hot = heater(str(ctx.given["heater"]))
        if hot and best.possible and best.drops_on_c > hot.usual_c and number_of(ctx, "heater_c") is None:
            found.append(
                Check(
                    "reach",
                    "warn",
                    f"{hot.name.capitalize()} usually goes to {temperature_words(hot.usual_c)}: see that it reaches.",
                )
            )
        if best.possible and best.shaft_c < 0 and best.drops_on_c > 100:
            found.append(
                Check(
                    "frost", "note", "Wipe frost off the shaft just before: ice in the fit holds the hub off."
                )
            )
        return found

    def _working(self, ctx: Context, best: Combination, row: str) -> Working:
        pair, entering, say = self.pair(ctx), self.entering(ctx), speech(ctx)
        wanted = pair.interference_mm + entering - best.shrink_mm
        alpha = pair.hub.alpha * 1e6
        rise = best.drops_on_c - pair.room_c
        d = say.size(pair.d_mm)
        lines = [
            size_line("Interference + entering clearance", f"{say.number(pair.interference_mm)} + {say.number(entering)}",
                      pair.interference_mm + entering, say),
            *(
                [size_line("Shaft shrinks", f"{best.shrink_mm / pair.d_mm * 1000:.2f} per mille of {d}, "
                           f"{temperature_words(pair.room_c)} to {temperature_words(best.shaft_c)}", best.shrink_mm, say)]
                if best.shrink_mm
                else []
            ),
            line("Rise of the hub", f"{say.number(max(wanted, 0))} ÷ ({alpha:.1f} × 10⁻⁶ × {d})", rise, "K", 0),
            line("Hub temperature", f"{bare(pair.room_c)} + {rise:.0f}", best.drops_on_c, "°C", 0, main=True),
            line("Half the entering clearance left", "the last moment to be home", best.home_c, "°C", 0),
            line("Grips", "no clearance left", best.grips_c, "°C", 0),
            Line("At most", row, temperature_words(best.most_c)),
        ]  # fmt: skip
        return Working(tuple(lines), (pair.hub.row, pair.shaft.row, row, MAKERS))

    def _amounts(self, ctx: Context, best: Combination) -> list[Result]:
        """Dry ice or nitrogen for a solid shaft of the seat's size, as an estimate."""
        key, length = str(ctx.given["cooler"]), number_of(ctx, "length")
        if key not in LATENT_J_PER_KG or length is None:
            return []
        pair = self.pair(ctx)
        mass = pair.shaft.density * math.pi / 4 * (pair.d_mm / 1000) ** 2 * length / 1000
        kg = coolant_kg(mass, pair.shaft.heat, best.shaft_c, LATENT_J_PER_KG[key])
        working = Working(
            (
                line("Mass chilled", "solid, of the seat's size", mass, "kg", 1),
                line(
                    "Turns to gas",
                    f"{mass:.1f} kg × {pair.shaft.heat:.0f} × {20 - best.shaft_c:.0f} ÷ {LATENT_J_PER_KG[key] / 1000:.0f} kJ/kg",
                    kg,
                    "kg",
                    1,
                ),
                line("With losses", "about as much again", 2 * kg, "kg", 1, main=True),
            ),
            ("An estimate: mass beyond the seat takes more.",),
        )
        return [
            Result(
                "coolant_kg",
                f"{COOLERS[key][1].capitalize()}, about",
                "number",
                Normal(round(2 * kg, 3), 0.0),
                role="estimate",
                working=working,
            )
        ]
