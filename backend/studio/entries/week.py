"""What is given for the week: the plan, the teacher's own line, what the player does not like."""

from typing import Any

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.errors import InputError
from lefthand.values.fields import read_flag, read_words
from studio.entries.kind import EntryKind
from studio.entries.opened import Opened
from studio.entries.plan import (
    read_made_for,
    read_plan,
    restore_made_for,
    write_plan,
)
from studio.takes.takes import to_play

MAX_LINE = 300
MAX_ONE_THING = 70  # two lines in large print


def _read_line(opened: Opened, _key: str) -> Any:
    return opened.lesson.teacher_line


def _write_line(opened: Opened, _key: str, value: Any) -> None:
    line = read_words("line", [value])[0].strip()
    if len(line) > MAX_LINE:
        raise InputError("line", f"expected at most {MAX_LINE} characters, got {len(line)}")
    opened.lesson.teacher_line = line


def _read_one_thing(opened: Opened, _key: str) -> Any:
    return opened.lesson.one_thing


def _write_one_thing(opened: Opened, _key: str, value: Any) -> None:
    words = " ".join(read_words("one_thing", [value])[0].split())
    if len(words) > MAX_ONE_THING:
        problem = f"expected at most {MAX_ONE_THING} characters, got {len(words)}"
        raise InputError("one_thing", problem)
    opened.lesson.one_thing = words


def _read_home_take(opened: Opened, _key: str) -> Any:
    return opened.lesson.home_take


def _write_home_take(opened: Opened, _key: str, value: Any) -> None:
    evidence = read_words("home_take", [value])[0]
    if evidence:
        to_play(opened.lesson, evidence)
    opened.lesson.home_take = evidence


def _read_disliked(opened: Opened, key: str) -> Any:
    return key in opened.lesson.player.disliked


def _write_disliked(opened: Opened, key: str, value: Any) -> None:
    exercise = load_catalogue().exercises.get(key)
    if exercise is None:
        raise InputError("disliked", f"unknown exercise {key!r}")
    player = opened.lesson.player
    others = [name for name in player.disliked if name != exercise.id]
    player.disliked = [*others, exercise.id] if read_flag("disliked", value) else others
    player.save(update_fields=["disliked"])


def _read_plan(opened: Opened, _key: str) -> Any:
    return read_plan(opened)


def _write_plan(opened: Opened, _key: str, value: Any) -> None:
    write_plan(opened, value)


LINE = EntryKind("line on the sheet", _read_line, _write_line, weighs=False)
ONE_THING = EntryKind("one thing of the week", _read_one_thing, _write_one_thing, weighs=False)
HOME_TAKE = EntryKind("take at home", _read_home_take, _write_home_take, weighs=False)
DISLIKED = EntryKind("dislike", _read_disliked, _write_disliked, weighs=False)
PLAN = EntryKind("plan", _read_plan, _write_plan, read_made_for, restore_made_for, weighs=False)
