"""Before and while a unit comes apart: baselines, removals, loose items."""
