"""Reading what a phone tells of a day."""

from collections.abc import Collection, Mapping
from typing import Any

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.self_check import FROM_AGE, SelfCheck
from lefthand.practice.tempo import TEMPO_RANGE
from lefthand.values.errors import InputError
from lefthand.values.fields import (
    Fields,
    read_choice,
    read_mapping,
    read_number,
    read_one_of,
    read_words,
    short,
)
from lefthand.values.vocabulary import Done, Felt, HurtSaid, Instrument, KeptInMind, Place, RedSign
from studio.home.week_at_home import HomeWeek
from studio.memory.findings import youngest_age_at
from studio.models import Lesson

WHEN = ("before", "after")
MOST_PLAYS = 999


def read_log(data: Mapping[str, Any], lesson: Lesson) -> dict[str, Any]:
    """A day of this lesson's week as fields of its log. Raises InputError."""
    signs = read_words("signs", data.get("signs", []))
    unknown = set(signs) - {sign.value for sign in RedSign}
    if unknown:
        raise InputError("signs", f"unknown sign {sorted(unknown)[0]!r}")
    given = {item.exercise for item in HomeWeek(lesson, lesson.date).given}
    return {
        "date": data["date"],
        "done": read_choice("done", data.get("done"), Done).value,
        "parts": read_parts(data.get("parts"), given),
        "felt": read_choice("felt", data.get("felt", ""), Felt).value,
        "pain": int(read_number("pain", data.get("pain", 0), 0, 10, whole=True)),
        "place": read_one_of("place", data.get("place") or "", ("", *Place)),
        "signs": signs,
        "tempos": read_tempos(data.get("tempos") or {}, given),
        "checks": read_checks(data.get("checks") or {}, lesson),
        "one_thing": read_choice("one_thing", data.get("one_thing") or "", KeptInMind).value,
        "hurt": read_choice("hurt", data.get("hurt") or "", HurtSaid).value,
    }


def read_parts(raw: Any, given: Collection[str]) -> list[str] | None:
    """Which exercises of the week were practised on a day; None where that was not said."""
    if raw is None:
        return None
    return [read_one_of("parts", name, given) for name in read_words("parts", raw)]


def read_tempos(raw: Any, given: Collection[str]) -> dict[str, dict[str, int | None]]:
    """What tempo work came to, by exercise of the week."""
    found: dict[str, dict[str, int | None]] = {}
    for name, each in read_mapping("tempos", raw).items():
        if name not in given:
            raise InputError(f"tempos.{short(name)}", "expected an exercise of the week")
        fields = Fields(each, f"tempos.{name}")
        plays = fields.whole("plays", 1, MOST_PLAYS)
        found[name] = {
            "highest": fields.whole("highest", *TEMPO_RANGE, default=None),
            "plays": plays,
            "slow": fields.whole("slow", 0, plays),
        }
        fields.done()
    return found


def read_checks(raw: Any, lesson: Lesson) -> dict[str, list[str]]:
    """What was as it should be on the own hand, before and after."""
    known = {check.id for check in self_checks_of(lesson)}
    fields = Fields(raw, "checks")
    found = {
        when: [read_one_of(f"checks.{when}", name, known) for name in fields.words(when)]
        for when in WHEN
        if when in fields
    }
    fields.done()
    return found


def self_checks_of(lesson: Lesson) -> list[SelfCheck]:
    """What this player is asked about the own hand: nothing unless the teacher wants it, and
    nothing of the youngest."""
    age = youngest_age_at(lesson.player, lesson)
    if not lesson.player.self_check or (age is not None and age < FROM_AGE):
        return []
    instrument = Instrument(lesson.player.instrument)
    checks = load_catalogue().self_checks.values()
    return [check for check in checks if instrument in check.instruments]
