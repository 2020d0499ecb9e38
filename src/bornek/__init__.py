"""Bornek: measures, judges and plans the settings of industrial drives on the bench.

One thread for a matrix, said before numpy is read: these are small, and threads of two busy processes that wait for each
other took twenty times as long.
"""

import os

os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")
os.environ.setdefault("OMP_NUM_THREADS", "1")

__version__ = "0.18.9"
