"""What a teacher sets once: way of teaching and cut points; and what a player has apart from it."""

from datetime import date
from typing import Any
from zoneinfo import available_timezones

from django.contrib.auth.models import User
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.errors import InputError
from lefthand.values.fields import read_number
from lefthand.values.measures import MEASURES
from studio.errors import StudioError
from studio.lessons.access import Teacher, players_of
from studio.memory.standing import forget_summaries
from studio.models import HAND_TONES, Player, TeacherSettings

FIXED_MEASURES = {"laxity_score"}  # published cut-offs


def settings_of(teacher: Teacher) -> TeacherSettings:
    settings, _ = TeacherSettings.objects.get_or_create(teacher_id=teacher.pk)
    return settings


def name_of(teacher: Teacher) -> str:
    """How the teacher signs."""
    return settings_of(teacher).display_name or teacher.get_username()


def choose_password(teacher: Teacher, old: str, new: str) -> User:
    """A new password for one who knows the present one. Raises StudioError naming the field."""
    if not isinstance(teacher, User) or not teacher.check_password(old):
        raise StudioError("bad_input", "old", "this is not your present password")
    try:
        validate_password(new, teacher)
    except ValidationError as error:
        raise StudioError("bad_input", "new", " ".join(error.messages)) from error
    teacher.set_password(new)
    teacher.save()
    return teacher


def choose_way(chosen: dict[str, str], key: str, value: str | None) -> dict[str, str]:
    """The choices with one changed; None goes back to what holds otherwise. Raises StudioError."""
    way = load_catalogue().ways.get(key)
    if way is None:
        raise StudioError("bad_input", "key", f"unknown way of teaching {key!r}")
    if value is not None and value not in way.values:
        raise StudioError("bad_input", "value", f"{value!r} is not one of {', '.join(way.values)}")
    others = {k: v for k, v in chosen.items() if k != key}
    return others if value is None else {**others, key: value}


def set_teachers_way(teacher: Teacher, key: str, value: str | None) -> TeacherSettings:
    settings = settings_of(teacher)
    settings.way_of_teaching = choose_way(settings.way_of_teaching, key, value)
    settings.save(update_fields=["way_of_teaching"])
    _forget_all(teacher)
    return settings


def _forget_all(teacher: Teacher) -> None:
    forget_summaries(players_of(teacher).values_list("pk", flat=True))


def set_shows_helped(teacher: Teacher, *, on: bool) -> TeacherSettings:
    """Whether the desk tells what went before a change."""
    settings = settings_of(teacher)
    settings.shows_helped = on
    settings.save(update_fields=["shows_helped"])
    return settings


def set_time_zone(teacher: Teacher, name: str) -> TeacherSettings:
    """Where the teacher's days begin; "" for this computer's zone. Raises StudioError."""
    if name and name not in available_timezones():
        raise StudioError("bad_input", "time_zone", f"{name!r} is no time zone")
    settings = settings_of(teacher)
    settings.time_zone = name
    settings.save(update_fields=["time_zone"])
    return settings


def set_letter_keys(teacher: Teacher, *, on: bool) -> TeacherSettings:
    settings = settings_of(teacher)
    settings.letter_keys = on
    settings.save(update_fields=["letter_keys"])
    return settings


def set_hand_tone(teacher: Teacher, tone: str) -> TeacherSettings:
    """In which tone hands are drawn. Raises StudioError."""
    tones = [value for value, _ in HAND_TONES]
    if tone not in tones:
        raise StudioError("bad_input", "tone", f"{tone!r} is not one of {', '.join(tones)}")
    settings = settings_of(teacher)
    settings.hand_tone = tone
    settings.save(update_fields=["hand_tone"])
    return settings


def set_learning(teacher: Teacher, *, on: bool) -> TeacherSettings:
    """Whether own lessons shift the starting probabilities, from the next lesson begun."""
    settings = settings_of(teacher)
    settings.learns = on
    settings.save(update_fields=["learns"])
    return settings


def forget_settled(teacher: Teacher, today: date) -> TeacherSettings:
    """Start counting anew: only lessons after today count."""
    settings = settings_of(teacher)
    settings.learns_after = today
    settings.save(update_fields=["learns_after"])
    return settings


def set_players_way(player: Player, key: str, value: str | None) -> Player:
    player.way_of_teaching = choose_way(player.way_of_teaching, key, value)
    player.save(update_fields=["way_of_teaching"])
    forget_summaries([player.pk])
    return player


def set_thresholds(teacher: Teacher, measure: str, cuts: list[Any] | None) -> TeacherSettings:
    """Change the three cut points of a measure; None goes back to the starting values."""
    if measure not in MEASURES or measure in FIXED_MEASURES:
        raise StudioError("bad_input", "measure", f"{measure!r} has no cut points to change")
    settings = settings_of(teacher)
    others = {k: v for k, v in settings.thresholds.items() if k != measure}
    settings.thresholds = others if cuts is None else {**others, measure: _cuts(measure, cuts)}
    settings.save(update_fields=["thresholds"])
    _forget_all(teacher)
    return settings


def _cuts(measure: str, cuts: list[Any]) -> list[float]:
    spec = MEASURES[measure]
    if len(cuts) != len(spec.cuts):
        raise StudioError("bad_input", "cuts", f"expected three numbers, got {len(cuts)}")
    try:
        numbers = [read_number("cuts", cut, spec.low, spec.high) for cut in cuts]
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    if numbers != sorted(numbers, reverse=not spec.higher_is_worse):
        raise StudioError("bad_input", "cuts", "each cut must be worse than the one before")
    return numbers
