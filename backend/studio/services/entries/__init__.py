"""Entries of a lesson, one module a kind; `log` saves and undoes them."""

from studio.services.entries.log import KINDS, UNDO_DEPTH, record, undo, undoable_entries
from studio.services.entries.many import record_not_there

__all__ = ["KINDS", "UNDO_DEPTH", "record", "record_not_there", "undo", "undoable_entries"]
