"""The pages of the application, as they are looked at one by one."""

from __future__ import annotations

VIEWS = ["/", "/drawer", "/gauges", "/receive", "/jobs/w17", "/jobs/w17/set/w17.output-end-play", "/jobs/w11/record",
         "/jobs/f12/strip", "/jobs/f12/receive", "/jobs/w17/definition", "/types", "/types/new", "/types/chain-ferry", "/search",
         "/jobs/k08/inspect", "/jobs/k08/inspect?zone=section", "/orders", "/look-fors", "/yard", "/nowhere", "/jobs/f12/plan",
         "/jobs/f12/plan/left-cover", "/today", "/tools", "/hours", "/jobs/w26/prove", "/jobs/k08/prove?zone=release",
         "/units/u-h31", "/report", "/practice", "/people", "/me"]  # fmt: skip
"""Each page once."""
ZONES = ["/jobs/p22/set/p22.thrust-end-play", "/jobs/w08/receive", "/jobs/k08/receive", "/jobs/k08/strip?zone=off",
         "/jobs/k08/strip?zone=loose", "/jobs/k08/strip?zone=photos", "/jobs/k08/inspect?zone=cause", "/jobs/k08/inspect?zone=orders",
         "/jobs/k08/inspect?zone=gauges", "/jobs/g04/set/g04.worm-bench", "/jobs/l03/plan?zone=turns", "/jobs/w26/prove?zone=run",
         "/jobs/w26/prove?zone=after", "/units/u-h31?zone=lived", "/units/u-h31?zone=owed"]  # fmt: skip
"""Their other sides."""

LONG = "W" * 80
"""A name that no page was drawn for."""
STAGES = (
    "",
    "/receive",
    "/strip",
    "/inspect",
    "/plan",
    "/plan/own",
    "/fit",
    "/mesh",
    "/mesh/train",
    "/prove",
    "/prove?zone=run",
    "/prove?zone=after",
    "/prove?zone=release",
    "/record",
    "/definition",
)
SHOP = (
    "/",
    "/today",
    "/report",
    "/yard",
    "/orders",
    "/tools",
    "/hours",
    "/practice",
    "/people",
    f"/search?text={LONG}",
)
"""Pages of the shop on which the long names stand."""
ELSEWHERE = (
    "/units/u-h31",
    "/units/u-h31?zone=lived",
    "/units/u-h31?zone=owed",
    "/units/u-h31?zone=visits",
    "/jobs/w26/prove?zone=run",
    "/sums/fit_ring",
    "/gauges",
    "/drawer",
    "/bench",
    "/limits",
    "/jobs/r15/mesh/train?zone=turns",
    "/jobs/r15/mesh/train?zone=levers",
    "/jobs/r15/mesh/train?zone=marks",
    "/jobs/r15/mesh/train?zone=pairs",
    "/jobs/t05/set/t05.worm-lost-motion",
    "/jobs/v18/set/v18.sector-lash",
    "/jobs/s31/set/s31.nut-end-play",
    "/jobs/a06/set/a06.crank-runout",
    "/jobs/f12/record",
    "/jobs/f12/set/f12.ring-set",
    "/jobs/f12/set/f12.ring-set/what-if",
    "/types",
    "/types/new",
    "/me",
)
"""Pages beside them, at the same widths."""


LONG_ONES = (*(f"/jobs/z9{stage}" for stage in STAGES), *SHOP)
"""A job of long names at every stage, and where else they stand."""
