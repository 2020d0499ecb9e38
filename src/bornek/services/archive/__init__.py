"""The whole yard in one open file: written, looked at, taken into an empty yard."""
