"""Lengths of the section's drawing, before it is scaled to its sheet."""

SHAFT = 12.0
HOLLOW, TUBE, BORE_ROOM = 22.0, 12.0, 5.0
PIN, PIN_BEARING = 8.0, 9.0
SHIM = 14.0
TOOTH = 9.0
RIM = 20.0
CENTRES, PLANET_CENTRES, RING = 128.0, 92.0, 108.0
OVER_BORE = 10.0
"""What a gear needs at least between its bore and its teeth."""
BEVEL_FACE = 34.0
GAP, NEXT = 10.0, 4.0
"""Between parts of a shaft, and between those that touch."""
WALL, CLEAR = 20.0, 26.0
BARE = 110.0
"""How long a shaft is drawn on which nothing sits yet."""
SHORTEST = 30.0
