"""Practice: rigs begun, looked at, asked about; each rig's own address."""
