"""A take at home: asked for by the teacher for one week, measured here, its numbers kept."""

from datetime import date

from lefthand.catalogue.takes import ToPlay
from studio.errors import StudioError
from studio.home.link import week_logged
from studio.home.week_at_home import HomeWeek
from studio.lessons.flags import open_flags
from studio.models import Lesson, Take
from studio.takes.takes import (
    SLOW,
    drill_to_play,
    keep_take,
    recording_in,
    take_heard,
    to_play,
)

MOST_A_DAY = 10


def asked_at_home(week: HomeWeek) -> ToPlay | None:
    """What is to be recorded in this week; nothing under a stop and while one eases off."""
    if week.reasons is not None or week.is_eased:
        return None
    return _asked(week.lesson)


def home_takes_of(lesson: Lesson) -> list[Take]:
    """Of the week that this lesson gave, in the order of their days."""
    takes = lesson.takes.exclude(home_on=None).defer("score", "result", "curve")
    return sorted(takes, key=lambda take: (take.home_on or date.min, take.pk))


def measure_at_home(
    token: str, data: bytes, day: date, client_key: str, today: date
) -> tuple[bool, str]:
    """Measure what the phone sends, late ones too; a take belongs to the week that holds its day.

    The answer: whether it told something, and why not. What told nothing is not kept. Raises
    StudioError.
    """
    lesson = week_logged(token, day, today)
    asked = _asked(lesson)
    if asked is None:
        raise StudioError("bad_input", "take", "none was asked for in that week")
    if any(flag.raised_on <= day for flag in open_flags(lesson.player)):
        raise StudioError("paused")
    if Take.objects.filter(lesson=lesson, log_key=client_key).exists():
        return True, ""
    if lesson.takes.filter(home_on=day).count() >= MOST_A_DAY:
        raise StudioError("conflict", "take", f"there are {MOST_A_DAY} of that day already")
    drill = drill_to_play(lesson, asked, SLOW)
    take = take_heard(asked, SLOW, drill, recording_in(data))
    if not take.result["usable"]:
        return False, take.words
    take.home_on, take.log_key = day, client_key
    keep_take(lesson, take)
    return True, ""


def _asked(lesson: Lesson) -> ToPlay | None:
    if not lesson.home_take:
        return None
    try:
        return to_play(lesson, lesson.home_take)
    except StudioError:  # another instrument since, or a check of an older version
        return None
