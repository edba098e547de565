"""Copies and restoring, whose turn it is to write, what is written only when nobody waits."""
