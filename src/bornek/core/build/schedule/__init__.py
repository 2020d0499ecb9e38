"""When each step can be worked: hands in shop hours, waits by themselves, press and oven taken by one at a time."""
