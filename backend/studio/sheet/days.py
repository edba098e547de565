"""The seven days after a lesson, as rings on a string."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import timedelta

from lefthand.practice.week import LAST_DAY
from lefthand.words import weekday_words
from studio.models import Lesson


@dataclass(frozen=True)
class SheetDay:
    """`exercises`: by their place on the sheet, from 1; none on a free day. `is_lesson`: the
    player's usual day of a lesson."""

    weekday: str
    exercises: tuple[int, ...]
    is_lesson: bool


def sheet_days(lesson: Lesson, days: Sequence[Sequence[int]]) -> tuple[SheetDay, ...]:
    """From the day after the lesson on. `days`: of each exercise, 1 is the day after the lesson."""
    return tuple(
        SheetDay(
            weekday=weekday_words(lesson.date + timedelta(days=number)),
            exercises=tuple(place for place, held in enumerate(days, start=1) if number in held),
            is_lesson=number == LAST_DAY
            and lesson.player.weekday == (lesson.date + timedelta(days=number)).weekday(),
        )
        for number in range(1, LAST_DAY + 1)
    )
