"""Entries of a lesson: each is saved at once, counts once, and can be undone.

Undo writes back what stood there before, and what the entry had changed beside it.
"""

from collections.abc import Mapping
from typing import Any

from django.db import transaction

from lefthand.values.errors import InputError
from studio.errors import StudioError
from studio.models import Lesson, LessonEntry
from studio.services.decisions import follow_theory
from studio.services.entries.answers import BREAK, COMPLAINT, HARDER, PRACTISED, REPORTS
from studio.services.entries.causes import CAUSE, FOCUS
from studio.services.entries.fit import FIT
from studio.services.entries.kind import EntryKind
from studio.services.entries.looking import ORDER, SKIP
from studio.services.entries.observation import OBSERVATION
from studio.services.entries.result import RESULT
from studio.services.entries.week import DISLIKED, HOME_TAKE, LINE, PLAN
from studio.services.standing import forget
from studio.turns import my_turn

UNDO_DEPTH = 20

KINDS: Mapping[str, EntryKind] = {
    "observation": OBSERVATION,
    "reports": REPORTS,
    "complaint": COMPLAINT,
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
    "home_take": HOME_TAKE,
    "focus": FOCUS,
    "plan": PLAN,
}


def record(lesson_id: int, *, client_key: str, kind: str, key: str, value: Any) -> Lesson:
    """Save one entry and return the lesson. The same `client_key` again changes nothing.

    Raises StudioError naming the field that cannot be used.
    """
    if kind not in KINDS:
        raise StudioError("bad_input", "kind", f"unknown kind {kind!r}")
    with my_turn(), transaction.atomic():
        lesson = _lesson(lesson_id)
        if lesson.entries.filter(client_key=client_key).exists():
            return lesson
        before, aside = _read(lesson, kind, key), KINDS[kind].read_aside(lesson)
        _write(lesson, kind, key, value)
        follow_theory(lesson)
        LessonEntry.objects.create(
            lesson=lesson,
            client_key=client_key,
            kind=kind,
            key=key,
            before=before,
            after=_read(lesson, kind, key),
            aside=aside,
        )
    return lesson


def undo(lesson_id: int, *, client_key: str = "", entry_key: str = "") -> Lesson:
    """Take back the newest entry that is not undone yet, of the last twenty.

    `client_key`: of this undo; the same again changes nothing. `entry_key`: the entry that is
    meant; when another one is the newest by now, nothing is undone. Raises StudioError.
    """
    with my_turn(), transaction.atomic():
        lesson = _lesson(lesson_id)
        if client_key and lesson.entries.filter(undone_by=client_key).exists():
            return lesson
        entry = next(iter(undoable_entries(lesson)), None)
        if entry is None:
            raise StudioError("nothing_to_undo")
        if entry_key and entry.client_key != entry_key:
            raise StudioError("conflict", "entry", "something newer was entered; look at it first")
        _write(lesson, entry.kind, entry.key, entry.before)
        KINDS[entry.kind].restore_aside(lesson, entry.aside)
        follow_theory(lesson)
        entry.undone, entry.undone_by = True, client_key
        entry.save(update_fields=["undone", "undone_by"])
    return lesson


def undoable_entries(lesson: Lesson) -> list[LessonEntry]:
    """What undo would take back, newest first."""
    newest = list(lesson.entries.order_by("-pk")[:UNDO_DEPTH])
    return [entry for entry in newest if not entry.undone]


def _lesson(lesson_id: int) -> Lesson:
    whose = Lesson.objects.select_related("player__teacher__studio_settings")
    return whose.select_for_update(of=("self",)).get(pk=lesson_id)


def _read(lesson: Lesson, kind: str, key: str) -> Any:
    try:
        return KINDS[kind].read(lesson, key)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error


def _write(lesson: Lesson, kind: str, key: str, value: Any) -> None:
    try:
        KINDS[kind].write(lesson, key, value)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    lesson.revision += 1
    lesson.save()
    forget(lesson.player_id, lesson.date)
