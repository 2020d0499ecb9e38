"""Bornek: measures, judges and plans the settings of industrial drives on the bench.

One thread for a matrix, said before numpy is read: these are small, and on a busy machine threads that wait for each
other take forty times as long.
"""

import os

for library in ("OPENBLAS", "OMP"):
    os.environ.setdefault(f"{library}_NUM_THREADS", "1")

__version__ = "0.18.1"
