"""Bornek: measures, judges and plans the settings of industrial drives on the bench."""

__version__ = "0.18.0"
