"""Entries of a lesson, one module a kind; `log` saves and undoes them."""

from studio.entries.log import (
    KINDS,
    UNDO_DEPTH,
    Entry,
    record,
    undo,
    undoable_entries,
    write_entries,
)
from studio.entries.many import record_not_there
from studio.entries.opened import Opened, open_begun

__all__ = [
    "KINDS",
    "UNDO_DEPTH",
    "Entry",
    "Opened",
    "open_begun",
    "record",
    "record_not_there",
    "undo",
    "undoable_entries",
    "write_entries",
]
