"""What a kind of entry is, and small readers that several kinds share."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument
from studio.entries.opened import Opened

LARGEST_ID = 2**63 - 1


def _nothing_aside(_opened: Opened) -> Any:
    return None


def _leave_aside(_opened: Opened, _before: Any) -> None:
    return None


@dataclass(frozen=True)
class EntryKind:
    """How one kind of entry reads what stands there and writes what shall stand there.

    `words`: what undo calls it. `read_aside` and `restore_aside`: what else an entry of this kind
    may change, and how undo puts it back. `weighs`: it may change what the lesson's
    case says, so that the causes are weighed anew.
    """

    words: str
    read: Callable[[Opened, str], Any]
    write: Callable[[Opened, str, Any], None]
    read_aside: Callable[[Opened], Any] = _nothing_aside
    restore_aside: Callable[[Opened, Any], None] = _leave_aside
    weighs: bool = True


def read_id(field: str, key: str) -> int:
    """The number of a record that an entry speaks of. Raises InputError naming `field`."""
    if not (key.isascii() and key.isdigit() and len(key) < 20 and int(key) <= LARGEST_ID):
        raise InputError(field, f"expected the number of a record, got {key!r}")
    return int(key)


def instrument_of(opened: Opened) -> Instrument:
    return Instrument(opened.lesson.player.instrument)
