"""What was resolved and is due for another look, or is back."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

from lefthand.practice.keep_alive import Kept


@dataclass(frozen=True)
class Reminder:
    """A kept cause on a day. `is_due`: it is time, or the music got harder."""

    kept: Kept
    is_due: bool


def due_or_back(kept: Iterable[Kept], on: date, *, harder: bool = False) -> list[Reminder]:
    """Causes to look at again on this day, and causes that are back."""
    found = []
    for each in kept:
        due = each.due is not None and (harder or each.due <= on)
        if due or each.returned is not None:
            found.append(Reminder(each, due))
    return found
