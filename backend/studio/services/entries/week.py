"""What is given for the week: the plan, the teacher's own line, what the player does not like."""

from typing import Any

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.errors import InputError
from lefthand.values.fields import read_flag, read_words
from studio.models import Lesson
from studio.services.decisions import (
    read_made_for,
    read_plan,
    restore_made_for,
    write_plan,
)
from studio.services.entries.kind import EntryKind
from studio.services.takes import to_play

MAX_LINE = 300


def _read_line(lesson: Lesson, _key: str) -> Any:
    return lesson.teacher_line


def _write_line(lesson: Lesson, _key: str, value: Any) -> None:
    line = read_words("line", [value])[0].strip()
    if len(line) > MAX_LINE:
        raise InputError("line", f"expected at most {MAX_LINE} characters, got {len(line)}")
    lesson.teacher_line = line


def _read_home_take(lesson: Lesson, _key: str) -> Any:
    return lesson.home_take


def _write_home_take(lesson: Lesson, _key: str, value: Any) -> None:
    evidence = read_words("home_take", [value])[0]
    if evidence:
        to_play(lesson, evidence)
    lesson.home_take = evidence


def _read_disliked(lesson: Lesson, key: str) -> Any:
    return key in lesson.player.disliked


def _write_disliked(lesson: Lesson, key: str, value: Any) -> None:
    exercise = load_catalogue().exercises.get(key)
    if exercise is None:
        raise InputError("disliked", f"unknown exercise {key!r}")
    player = lesson.player
    others = [name for name in player.disliked if name != exercise.id]
    player.disliked = [*others, exercise.id] if read_flag("disliked", value) else others
    player.save(update_fields=["disliked"])


def _read_plan(lesson: Lesson, _key: str) -> Any:
    return read_plan(lesson)


def _write_plan(lesson: Lesson, _key: str, value: Any) -> None:
    write_plan(lesson, value)


LINE = EntryKind("line on the sheet", _read_line, _write_line)
HOME_TAKE = EntryKind("take at home", _read_home_take, _write_home_take)
DISLIKED = EntryKind("dislike", _read_disliked, _write_disliked)
PLAN = EntryKind("plan", _read_plan, _write_plan, read_made_for, restore_made_for)
