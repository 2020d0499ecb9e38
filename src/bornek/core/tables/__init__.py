"""Packaged tables: clearance groups and drive-up by bore. The maker's data comes first."""
