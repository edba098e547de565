"""Entries of a lesson, one module a kind; `log` saves and undoes them."""

from studio.services.entries.log import KINDS, UNDO_DEPTH, record, undo, undoable_entries

__all__ = ["KINDS", "UNDO_DEPTH", "record", "undo", "undoable_entries"]
