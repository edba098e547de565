"""Entries of a lesson: each is saved at once, counts once, and can be undone.

Undo writes back what stood there before, and what the entry had changed beside it. Several entries
that come together are weighed once, after the last of them.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Any

from django.db import transaction

from lefthand.values.errors import InputError
from studio.entries.answers import (
    AGAIN,
    BREAK,
    COMPLAINT,
    COMPLAINT_FINGER,
    HARDER,
    PRACTISED,
    REPORTS,
)
from studio.entries.causes import CAUSE, FOCUS
from studio.entries.fit import FIT
from studio.entries.focus import follow_theory
from studio.entries.kind import EntryKind
from studio.entries.looking import ORDER, SKIP
from studio.entries.observation import OBSERVATION
from studio.entries.opened import Opened, open_lesson
from studio.entries.result import RESULT
from studio.entries.week import DISLIKED, HOME_TAKE, LINE, ONE_THING, PLAN
from studio.errors import StudioError
from studio.keeping.turns import my_turn
from studio.memory.standing import forget
from studio.models import Lesson, LessonEntry

UNDO_DEPTH = 20

KINDS: Mapping[str, EntryKind] = {
    "observation": OBSERVATION,
    "reports": REPORTS,
    "again": AGAIN,
    "complaint": COMPLAINT,
    "complaint_finger": COMPLAINT_FINGER,
    "skip": SKIP,
    "cause": CAUSE,
    "result": RESULT,
    "order": ORDER,
    "break": BREAK,
    "practised": PRACTISED,
    "disliked": DISLIKED,
    "harder": HARDER,
    "fit": FIT,
    "line": LINE,
    "one_thing": ONE_THING,
    "home_take": HOME_TAKE,
    "focus": FOCUS,
    "plan": PLAN,
}


@dataclass(frozen=True)
class Entry:
    """What is to be saved. `client_key`: made by whoever sends it, another for each entry."""

    client_key: str
    kind: str
    key: str
    value: Any


def record(lesson_id: int, *, client_key: str, kind: str, key: str, value: Any) -> Opened:
    """Save one entry and return the lesson as it stands now. The same `client_key` again
    changes nothing.

    Raises StudioError naming the field that cannot be used.
    """
    with my_turn(), transaction.atomic():
        opened = open_lesson(lesson_id)
        write_entries(opened, [Entry(client_key, kind, key, value)])
    return opened


def write_entries(opened: Opened, entries: Iterable[Entry]) -> None:
    """Save entries in their order, within a transaction; what has arrived before is passed over.

    Raises StudioError naming the field that cannot be used.
    """
    wanted = list(entries)
    arrived = opened.arrived([entry.client_key for entry in wanted])
    rows = [_write_entry(opened, entry) for entry in wanted if entry.client_key not in arrived]
    if not rows:
        return
    _written(opened, len(rows))
    LessonEntry.objects.bulk_create(rows)


def _write_entry(opened: Opened, entry: Entry) -> LessonEntry:
    if entry.kind not in KINDS:
        raise StudioError("bad_input", "kind", f"unknown kind {entry.kind!r}")
    before = _read(opened, entry.kind, entry.key)
    aside = KINDS[entry.kind].read_aside(opened)
    _write(opened, entry.kind, entry.key, entry.value)
    return LessonEntry(
        lesson=opened.lesson,
        client_key=entry.client_key,
        kind=entry.kind,
        key=entry.key,
        before=before,
        after=_read(opened, entry.kind, entry.key),
        aside=aside,
    )


def undo(lesson_id: int, *, client_key: str = "", entry_key: str = "") -> Opened:
    """Take back the newest entry that is not undone yet, of the last twenty.

    `client_key`: of this undo; the same again changes nothing. `entry_key`: the entry that is
    meant; when another one is the newest by now, nothing is undone. Raises StudioError.
    """
    with my_turn(), transaction.atomic():
        opened = open_lesson(lesson_id)
        if not (client_key and opened.lesson.entries.filter(undone_by=client_key).exists()):
            _undo(opened, client_key, entry_key)
    return opened


def _undo(opened: Opened, client_key: str, entry_key: str) -> None:
    entry = next(iter(undoable_entries(opened.lesson)), None)
    if entry is None:
        raise StudioError("nothing_to_undo")
    if entry_key and entry.client_key != entry_key:
        raise StudioError("conflict", "entry", "something newer was entered; look at it first")
    _write(opened, entry.kind, entry.key, entry.before)
    KINDS[entry.kind].restore_aside(opened, entry.aside)
    _written(opened, 1)
    entry.undone, entry.undone_by = True, client_key
    entry.save(update_fields=["undone", "undone_by"])


def undoable_entries(lesson: Lesson) -> list[LessonEntry]:
    """What undo would take back, newest first."""
    newest = list(lesson.entries.order_by("-pk")[:UNDO_DEPTH])
    return [entry for entry in newest if not entry.undone]


def _written(opened: Opened, count: int) -> None:
    """So many entries were written: what was made of the lesson before holds no more."""
    opened.lesson.revision += count
    opened.lesson.save()
    forget(opened.lesson.player_id, opened.lesson.date)
    follow_theory(opened)


def _read(opened: Opened, kind: str, key: str) -> Any:
    try:
        return KINDS[kind].read(opened, key)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error


def _write(opened: Opened, kind: str, key: str, value: Any) -> None:
    try:
        KINDS[kind].write(opened, key, value)
        opened.was_written(weighs=KINDS[kind].weighs)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
