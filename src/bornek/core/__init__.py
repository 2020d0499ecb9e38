"""The rules of the job: pure computation, no interface, no storage, no clock."""
