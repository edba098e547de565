"""A player's own facts: making and changing them, each field checked by name."""

from collections.abc import Mapping
from datetime import date, time
from typing import Any

from lefthand.case.parsing import AGE_RANGE, HOURS_RANGE, MINUTES_RANGE
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.errors import InputError
from lefthand.values.fields import read_choice, read_flag, read_number, read_words, short
from lefthand.values.vocabulary import Instrument, Level
from studio.errors import StudioError
from studio.lessons.access import Teacher
from studio.memory.standing import forget_summaries
from studio.models import Player

MAX_NAME = 80
PLAIN_FACTS = (
    *("name", "instrument", "level", "piece", "birth_year", "daily_minutes", "hours_a_day"),
    *("helper_at_home", "weekday", "missing", "self_check", "is_practice"),
)
MAX_PIECE = 120


def save_player(
    teacher: Teacher, player: Player | None, data: Mapping[str, Any], on: date
) -> Player:
    """Make a player or change one. `data` holds every field of the form; None means not known.

    An instrument with lessons stays what it is: its findings would no longer fit.
    Raises StudioError naming the field.
    """
    fields = check_facts(data, on)
    if player and fields["instrument"] != player.instrument and player.lessons.exists():
        why = "a player with lessons keeps the instrument; add a second player for another one"
        raise StudioError("bad_input", "instrument", why)
    if player and fields["is_practice"] != player.is_practice and player.lessons.exists():
        why = "a player with lessons stays what it is: made-up takes are nobody's record"
        raise StudioError("bad_input", "is_practice", why)
    player = player or Player()
    player.teacher_id = teacher.pk  # type: ignore[assignment]
    for name, value in fields.items():
        setattr(player, name, value)
    player.save()
    forget_summaries([player.pk])
    return player


def check_facts(data: Mapping[str, Any], on: date) -> dict[str, Any]:
    """The facts as they are stored. Raises StudioError naming the field."""
    try:
        return _fields(data, on)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error


def _fields(data: Mapping[str, Any], on: date) -> dict[str, Any]:
    return {
        "name": _text(data, "name", MAX_NAME, least=1),
        "instrument": read_choice("instrument", data.get("instrument"), Instrument).value,
        "level": read_choice("level", data.get("level"), Level).value,
        "piece": _text(data, "piece", MAX_PIECE),
        "birth_year": _whole(data, "birth_year", on.year - AGE_RANGE[1], on.year - AGE_RANGE[0]),
        "daily_minutes": _number(data, "daily_minutes", *MINUTES_RANGE),
        "hours_a_day": read_number("hours_a_day", data.get("hours_a_day"), *HOURS_RANGE),
        "helper_at_home": _flag(data, "helper_at_home"),
        "weekday": _whole(data, "weekday", 0, 6),
        "lesson_time": _time(data, "lesson_time"),
        "missing": _missing(data),
        "self_check": read_flag("self_check", data.get("self_check") or False),
        "is_practice": read_flag("is_practice", data.get("is_practice") or False),
    }


def equipment() -> list[str]:
    """Everything that some exercise needs at home."""
    return sorted({item for e in load_catalogue().exercises.values() for item in e.equipment})


def _missing(data: Mapping[str, Any]) -> list[str]:
    missing = read_words("missing", data.get("missing", []))
    unknown = set(missing) - set(equipment())
    if unknown:
        raise InputError("missing", f"unknown equipment {sorted(unknown)[0]!r}")
    return sorted(set(missing))


def _text(data: Mapping[str, Any], name: str, most: int, least: int = 0) -> str:
    text = " ".join(read_words(name, [data.get(name) or ""])[0].split())
    if not least <= len(text) <= most:
        raise InputError(name, f"expected {least} to {most} characters, got {len(text)}")
    return text


def _number(data: Mapping[str, Any], name: str, low: float, high: float) -> float | None:
    value = data.get(name)
    return None if value is None else read_number(name, value, low, high)


def _whole(data: Mapping[str, Any], name: str, low: int, high: int) -> int | None:
    value = data.get(name)
    return None if value is None else int(read_number(name, value, low, high, whole=True))


def _flag(data: Mapping[str, Any], name: str) -> bool | None:
    value = data.get(name)
    return None if value is None else read_flag(name, value)


def _time(data: Mapping[str, Any], name: str) -> time | None:
    value = data.get(name)
    if not value:
        return None
    try:
        found = time.fromisoformat(value)
    except (TypeError, ValueError) as error:
        raise InputError(name, f"expected a time such as 16:30, got {short(value)}") from error
    if found.tzinfo is not None:
        raise InputError(name, f"expected a time without a zone, got {short(value)}")
    return found
