"""What a later lesson found of a change of fit."""

from typing import Any

from lefthand.values.errors import InputError
from lefthand.values.fields import read_one_of
from studio.entries.kind import EntryKind, read_id
from studio.entries.opened import Opened
from studio.lessons.setups import JUDGED, judge_setup
from studio.models import Setup


def _read(opened: Opened, key: str) -> Any:
    return _setup(opened, key).judged


def _write(opened: Opened, key: str, value: Any) -> None:
    judge_setup(opened.lesson.player, _setup(opened, key).pk, read_one_of("fit", value, JUDGED))
    opened.read_anew("setups")


def _setup(opened: Opened, key: str) -> Setup:
    """A change that was made before this lesson."""
    lesson = opened.lesson
    found = lesson.player.setups.filter(pk=read_id("fit", key), date__lt=lesson.date).first()
    if found is None:
        raise InputError("fit", "no change of before this lesson; it may have been removed")
    return found


FIT = EntryKind("judged fit", _read, _write)
