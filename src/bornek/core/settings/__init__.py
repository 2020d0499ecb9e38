"""One file per kind of setting; kind.py is the contract, registry.py finds them."""
