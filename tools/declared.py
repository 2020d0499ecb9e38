"""What the program declares to others: the API's document, the unit types' schema, palette and verdict marks.

`declared.py DOCUMENTS LOOKS` names the two folders.
"""

from __future__ import annotations

import sys
from pathlib import Path

from bornek.cli import main


def write_declared(documents: Path, looks: Path) -> int:
    wanted = (
        ("openapi", documents / "openapi.json"),
        ("unit-type-schema", documents / "unit-type.schema.json"),
        ("looks", looks),
    )
    return max(main([what, str(to)]) for what, to in wanted)


if __name__ == "__main__":
    sys.exit(write_declared(Path(sys.argv[1]), Path(sys.argv[2])))
