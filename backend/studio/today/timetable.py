"""Lessons that are not at their usual time: absent today, or moved to another day."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, datetime, time, timedelta

from django.db.models import Q

from studio.errors import StudioError
from studio.lessons.access import Teacher, players_of
from studio.models import LessonChange, Player
from studio.today.holidays import holidays_of

LESSON_MINUTES = 30
"""Common practice, no source: the room that a lesson of a child takes in a teacher's day."""
FREE_TIMES = 3
LATEST_START = time(20)
MOST_DAYS_AHEAD = 60


@dataclass(frozen=True)
class FreeTime:
    on: date
    at: time


def changes_on(players: Sequence[int], on: date) -> dict[int, list[LessonChange]]:
    """What was changed from this day or to it, by player."""
    found: dict[int, list[LessonChange]] = {}
    for change in LessonChange.objects.filter(Q(on=on) | Q(to=on), player__in=players):
        found.setdefault(change.player_id, []).append(change)
    return found


def change_lesson(player: Player, on: date, to: date | None, at: time | None) -> LessonChange:
    """Let the lesson of the day `on` fall out, or be at another time of this or a later day.

    Raises StudioError naming the field.
    """
    if to is None and at is not None:
        raise StudioError("bad_input", "to", "expected a day for this time")
    if to is not None and at is None:
        raise StudioError("bad_input", "at", "expected a time such as 16:30")
    last = on + timedelta(days=MOST_DAYS_AHEAD)
    if to is not None and not on <= to <= last:
        raise StudioError("bad_input", "to", f"expected a day from {on} to {last}")
    change, _ = LessonChange.objects.update_or_create(
        player=player, on=on, defaults={"to": to, "at": at}
    )
    return change


def take_back_change(player: Player, on: date) -> None:
    """The lesson of this day takes place after all. Said twice, or late, it changes nothing more: a
    lesson that was moved to this day stays."""
    player.lesson_changes.filter(on=on).delete()


def free_times(teacher: Teacher, on: date) -> list[FreeTime]:
    """The first free time on each of the next days on which the teacher teaches: the first gap
    between lessons that holds one, else the time after the last, until the evening."""
    week = [on + timedelta(days=days) for days in range(1, 8)]
    players = list(players_of(teacher).filter(weekday__isnull=False, lesson_time__isnull=False))
    ids = [player.pk for player in players]
    changes = LessonChange.objects.filter(Q(on__in=week) | Q(to__in=week), player__in=ids)
    gone = {(change.player_id, change.on) for change in changes}
    holidays = holidays_of(teacher, on)
    found: list[FreeTime] = []
    for day in week:
        if any(each.first <= day <= each.last for each in holidays):
            continue
        taken = [
            player.lesson_time
            for player in players
            if player.weekday == day.weekday() and (player.pk, day) not in gone
        ]
        taken += [change.at for change in changes if change.to == day]
        at = _first_gap([each for each in taken if each is not None])
        if at is not None:
            found.append(FreeTime(day, at))
    return found[:FREE_TIMES]


def _first_gap(taken: Sequence[time]) -> time | None:
    """None on a day without lessons, and on one that is full until the evening."""
    minutes = sorted(each.hour * 60 + each.minute for each in taken)
    if not minutes:
        return None
    for start, after in zip(minutes, [*minutes[1:], 24 * 60], strict=True):
        end = start + LESSON_MINUTES
        if after - end >= LESSON_MINUTES and end <= LATEST_START.hour * 60:
            return (datetime.min + timedelta(minutes=end)).time()
    return None
