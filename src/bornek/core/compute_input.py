"""Reads `compute`'s plain JSON: every part typed, bounded and checked against the others, or refused by name."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Any

from bornek.core.door import a_flag, a_mapping, a_number, a_text, a_whole, check_plain, refuse, rows_of
from bornek.core.errors import BornekError, InputError
from bornek.core.gauges import Gauge
from bornek.core.quantities import parse, to_nm
from bornek.core.raw import check_gauge, read_knob, read_raw
from bornek.core.settings.kind import Setting, Slot
from bornek.core.settings.knobs import Knob
from bornek.core.settings.records import (
    EXCHANGED,
    TAKEN_APART,
    Act,
    Context,
    Entry,
    Explanation,
    Learned,
    Predicted,
)
from bornek.core.settings.watch import guide_of

MOST_ROUNDS = 60
MOST_ENTRIES = 4000
MOST_ROWS = 500
MOST_IN_DRAWER = 100_000
ACT_KINDS = ("as_found", "move", "reseat", "recount", EXCHANGED, TAKEN_APART)
CAUSES = ("recounted", "reread", "soft", "unexplained")
TOP = ("given", "entries", "acts", "stock", "gauges", "gauge", "history", "explanations", "unit", "school")
GAUGE_PARTS = (
    "id",
    "name",
    "unit",
    "division",
    "interpolation",
    "calibration_u",
    "quantity",
    "due",
    "overdue",
    "takes",
)


def check_top(data: Any) -> Mapping[str, Any]:
    """The envelope: an object of known parts."""
    if not isinstance(data, Mapping):
        raise InputError("The input must be a JSON object.", next_step="See `bornek kinds`.")
    check_plain(data)
    unknown = sorted(set(data) - set(TOP))
    if unknown:
        raise InputError(
            f"Unknown part {unknown[0][:60]!r}.",
            field=unknown[0][:60],
            next_step="Use: " + ", ".join(sorted(TOP)) + ".",
        )
    if data.get("unit", "mm") not in ("mm", "thou"):
        refuse("unit", "mm or thou", data["unit"])
    return data


def read_bench(kind: Setting, given: Mapping[str, Any], data: Mapping[str, Any]) -> Context:
    """The bench as it was sent. Raises InputError, UnitError or RangeError naming the part that does not hold."""
    unit = data.get("unit", "mm")
    gauges = {g.id: g for g in (_gauge(row, i) for i, row in enumerate(_some(data, "gauges", MOST_ROWS)))}
    chosen = _chosen(data, gauges)
    knobs = {k.key: k for k in kind.knobs(Context(given=given, unit=unit))}
    acts = tuple(_act(row, i, knobs, unit) for i, row in enumerate(_some(data, "acts", MOST_ROWS)))
    entries = _some(data, "entries", MOST_ENTRIES)
    rounds = [a_whole(row, "round", f"entries[{i}]", 1, 1, MOST_ROUNDS) for i, row in enumerate(entries)]
    ctx = Context(
        given=given,
        acts=acts,
        gauges=gauges,
        gauge=chosen,
        unit=unit,
        fine=kind.fine,
        round=max([*rounds, *(a.round for a in acts)], default=1),
        stock=_stock(a_mapping(data.get("stock"), "stock")),
        history=tuple(_learned(r, i) for i, r in enumerate(_some(data, "history", MOST_ROWS))),
        explanations=tuple(_explanation(r, i) for i, r in enumerate(_some(data, "explanations", MOST_ROWS))),
        school={k: a_text({k: v}, k, "school") for k, v in a_mapping(data.get("school"), "school").items()},
    )
    return _with_entries(kind, ctx, entries, rounds)


def _some(data: Mapping[str, Any], key: str, most: int) -> Sequence[Mapping[str, Any]]:
    rows = rows_of(data.get(key), key)
    if len(rows) > most:
        refuse(key, f"at most {most} rows", f"{len(rows)} rows")
    return rows


def _with_entries(
    kind: Setting, ctx: Context, rows: Sequence[Mapping[str, Any]], rounds: Sequence[int]
) -> Context:
    """Stations may depend on what was read before: the guide is asked again when one is not there."""
    read: list[Entry] = []
    known: dict[int, tuple[Slot, ...]] = {}
    for i, (row, number) in enumerate(zip(rows, rounds, strict=True)):
        key = a_text(row, "slot", f"entries[{i}]", most=200)
        slot = _find(known.get(number, ()), key)
        if slot is None:
            ctx = replace(ctx, entries=tuple(read))
            known[number] = guide_of(kind, ctx.at(number)).slots
            slot = _find(known[number], key)
        if slot is None:
            raise InputError(
                f"entries[{i}]: no station {key[:60]!r}.",
                field=f"entries[{i}].slot",
                next_step=f"Stations now: {', '.join(s.key for s in known[number])}."[:600],
            )
        read.append(_entry(row, i, slot, number, ctx))
    return replace(ctx, entries=tuple(read))


def _find(slots: Sequence[Slot], key: str) -> Slot | None:
    return next((s for s in slots if s.key == key), None)


def _entry(row: Mapping[str, Any], i: int, slot: Slot, number: int, ctx: Context) -> Entry:
    where = f"entries[{i}]"
    named = a_text(row, "gauge", where, most=60)
    if named and named not in ctx.gauges:
        refuse(f"{where}.gauge", f"one of the gauges sent ({', '.join(ctx.gauges) or 'none'})", named)
    gauge = ctx.gauges.get(named or ctx.gauge)
    if gauge is not None and (named or slot.quantity == "length"):
        check_gauge(slot, gauge, f"{where}.gauge")
    text = row.get("text")
    if text is not None and not isinstance(text, str):
        refuse(f"{where}.text", "a text", text)
    raw = text if text is not None else row.get("value")
    unit = gauge.unit if gauge is not None and gauge.quantity == "length" else ctx.unit
    try:
        value = read_raw(slot, raw, unit)
    except BornekError as error:
        error.field = where
        raise
    return Entry(
        id=_an_id(row, i, where),
        slot=slot.key,
        raw=value,
        round=number,
        gauge=named,
        as_typed=str(raw)[:100],
        confirmed=a_flag(row, "confirmed", where),
        seq=i,
    )


def _an_id(row: Mapping[str, Any], i: int, where: str) -> str:
    value = row.get("id", i)
    if isinstance(value, bool) or not isinstance(value, str | int) or len(str(value)) > 60:
        refuse(f"{where}.id", "a text of at most 60 characters", value)
    return str(value)


def _act(row: Mapping[str, Any], i: int, knobs: Mapping[str, Knob], unit: str) -> Act:
    where = f"acts[{i}]"
    states = {}
    for key, raw in a_mapping(row.get("states"), f"{where}.states").items():
        if key not in knobs:
            raise InputError(
                f"There is no adjuster {key[:60]!r} here.",
                field=f"{where}.states",
                next_step="Adjusters: " + (", ".join(knobs) or "none") + ".",
            )
        states[key] = read_knob(knobs[key], raw, unit, f"{where}.states")
    act_kind = a_text(row, "kind", where, "move")
    if act_kind not in ACT_KINDS:
        refuse(f"{where}.kind", f"one of {', '.join(ACT_KINDS)}", act_kind)
    return Act(
        id=_an_id(row, i, where),
        round=a_whole(row, "round", where, 1, 1, MOST_ROUNDS),
        act_kind=act_kind,
        states=states,
        predicted=_predicted(row.get("predicted"), f"{where}.predicted"),
        seq=i,
    )


def _predicted(sent: Any, where: str) -> dict[str, Predicted]:
    """{"v", "u"} of the only row, or the same by row."""
    sent = a_mapping(sent, where)
    rows = {"": sent} if "v" in sent else sent
    found = {}
    for key, p in rows.items():
        if not isinstance(p, Mapping) or "v" not in p or "u" not in p:
            raise InputError(
                "predicted needs v and u as numbers, by row where there are several.", field=where
            )
        found[key] = Predicted(a_number(p["v"], f"{where}.v"), a_number(p["u"], f"{where}.u", 0.0))
    return found


def _gauge(row: Mapping[str, Any], i: int) -> Gauge:
    where = f"gauges[{i}]"
    if set(row) - set(GAUGE_PARTS):
        raise InputError(
            f"{where} has unknown parts.",
            field=where,
            next_step="Use: " + ", ".join(sorted(GAUGE_PARTS)) + ".",
        )
    numbers = {
        key: a_number(row[key], f"{where}.{key}", 0.0, 1e6)
        for key in ("division", "interpolation", "calibration_u")
        if key in row
    }
    texts = {key: a_text(row, key, where) for key in ("unit", "quantity", "due") if key in row}
    return Gauge(
        id=_an_id(row, i, where),
        name=a_text(row, "name", where, f"gauge {i}"),
        overdue=a_flag(row, "overdue", where),
        takes=_takes(row.get("takes"), f"{where}.takes"),
        **{**numbers, **texts},  # type: ignore[arg-type]
    )


def _takes(value: Any, where: str) -> tuple[str, ...]:
    if value is None:
        return ()
    if not isinstance(value, list) or not all(isinstance(x, str) for x in value):
        refuse(where, "a list of texts", value)
    return tuple(value)


def _chosen(data: Mapping[str, Any], gauges: Mapping[str, Gauge]) -> str:
    """The setting's own gauge: the one named, else the first that measures a length, else the first."""
    named = data.get("gauge")
    if named is None or named == "":
        lengths = [key for key, g in gauges.items() if g.quantity == "length"]
        return next(iter([*lengths, *gauges]), "")
    if not isinstance(named, str) or named not in gauges:
        refuse("gauge", f"one of the gauges sent ({', '.join(gauges) or 'none'})", named)
    return named


def _learned(row: Mapping[str, Any], i: int) -> Learned:
    where = f"history[{i}]"
    if "k" not in row or "se" not in row:
        raise InputError("history needs k and se as numbers.", field=where)
    return Learned(
        setting=a_text(row, "setting", where, f"job {i}"),
        k=a_number(row["k"], f"{where}.k", -1e6, 1e6),
        se=a_number(row["se"], f"{where}.se", 1e-9, 1e6),
        serial=a_text(row, "serial", where),
        job=a_text(row, "job", where),
    )


def _explanation(row: Mapping[str, Any], i: int) -> Explanation:
    where = f"explanations[{i}]"
    cause = a_text(row, "cause", where)
    if cause not in CAUSES:
        refuse(f"{where}.cause", f"one of {', '.join(CAUSES)}", cause)
    return Explanation(a_whole(row, "round", where, 1, 1, MOST_ROUNDS), cause, a_text(row, "words", where))


def _stock(raw: Mapping[str, Any]) -> dict[int, int]:
    stock: dict[int, int] = {}
    if len(raw) > MOST_ROWS:
        refuse("stock", f"at most {MOST_ROWS} thicknesses", f"{len(raw)} thicknesses")
    for thickness in raw:
        count = raw[thickness]
        if not isinstance(count, int) or isinstance(count, bool) or not 0 <= count <= MOST_IN_DRAWER:
            refuse("stock", f"a whole count from 0 to {MOST_IN_DRAWER} of each thickness", count)
        size = parse(thickness).value
        if not 0 < size <= 50:
            refuse("stock", "a thickness above 0 and at most 50 mm", thickness)
        stock[to_nm(size)] = count
    return stock
