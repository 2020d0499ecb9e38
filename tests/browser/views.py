"""The pages of the application, as they are looked at one by one."""

from __future__ import annotations

STANDING = ["/", "/jobs/f12/receive", "/jobs/f12/strip", "/jobs/k08/inspect", "/jobs/f12/plan", "/jobs/w17/set/w17.output-end-play",
            "/jobs/w17/fit", "/jobs/f12/mesh", "/jobs/w26/prove", "/jobs/w11/record", "/today", "/practice", "/types/new", "/me"]  # fmt: skip
"""A page of every sort: the board, each stage, what is signed, lists, drawing, what is one's own."""
OTHERS = ["/drawer", "/gauges", "/receive", "/jobs/w17", "/jobs/w17/definition", "/types", "/types/chain-ferry", "/search",
         "/jobs/k08/inspect?zone=section", "/orders", "/look-fors", "/yard", "/nowhere", "/jobs/f12/plan/left-cover", "/tools",
         "/hours", "/jobs/k08/prove?zone=release", "/units/u-h31", "/report", "/people"]  # fmt: skip
"""The other pages, each once."""
ZONES = ["/jobs/p22/set/p22.thrust-end-play", "/jobs/w08/receive", "/jobs/k08/receive", "/jobs/k08/strip?zone=off",
         "/jobs/k08/strip?zone=loose", "/jobs/k08/strip?zone=photos", "/jobs/k08/inspect?zone=cause", "/jobs/k08/inspect?zone=orders",
         "/jobs/k08/inspect?zone=gauges", "/jobs/g04/set/g04.worm-bench", "/jobs/l03/plan?zone=turns", "/jobs/w26/prove?zone=run",
         "/jobs/w26/prove?zone=after", "/units/u-h31?zone=lived", "/units/u-h31?zone=owed"]  # fmt: skip
"""Further sides of all of them."""

LONG = "W" * 80
"""A name that no page was drawn for."""
LONG_STANDING = ("/", "/jobs/z9/receive", "/jobs/z9/plan/own", "/jobs/z9/fit", "/jobs/z9/prove?zone=after", "/jobs/z9/record",
                 "/today")  # fmt: skip
"""Where the longest of them stand."""
STAGES = ("", "/strip", "/inspect", "/plan", "/mesh", "/mesh/train", "/prove", "/prove?zone=run", "/prove?zone=release",
          "/definition")  # fmt: skip
"""The other stages of the job that has them."""
SHOP = ("/report", "/yard", "/orders", "/tools", "/hours", "/practice", "/people", f"/search?text={LONG}")  # fmt: skip
"""The shop's other pages on which they stand."""
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
LONG_ONES = (*LONG_STANDING, *(f"/jobs/z9{stage}" for stage in STAGES), *SHOP, *ELSEWHERE)
"""A job of long names at every stage, and where else they stand."""
