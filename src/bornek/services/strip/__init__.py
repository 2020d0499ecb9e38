"""The strip stage: what is found, taken off, dropped, photographed."""
