"""What belongs to the yard: board, drawer, gauges, people, lists, unit types, search."""
