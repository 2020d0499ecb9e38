"""The mesh stage beside its settings: what the gear train does, and what was counted."""
