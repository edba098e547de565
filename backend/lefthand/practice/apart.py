"""Exercises that stay out for a time: what hurt, and what failed again and again.

What hurt stays out for two weeks without pain and comes back a step before, at half the dose; what
hurt in two of its weeks comes back only when the teacher gives it. What failed in three lessons is
not proposed for eight weeks (rules of the trade: common practice, no source).
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import date

from lefthand.case.case import Apart, Why
from lefthand.catalogue.catalogue import Catalogue
from lefthand.practice.pains import Aches
from lefthand.practice.record import GivenWeek, LessonRecord
from lefthand.practice.waits import FAILED_LESSONS, OUT_AFTER_FAILING, OUT_AFTER_PAIN, TWICE
from lefthand.values.vocabulary import Place


@dataclass(frozen=True, slots=True)
class Harm:
    """An exercise that hurt. times: in how many of its weeks; last: the newest day; rung: the step
    then; week_on: when that week was given. is_back: it was given again and a lesson has followed
    without pain. by_word: the teacher gave it after it hurt."""

    times: int
    last: date
    rung: int
    week_on: date | None
    is_back: bool = False
    by_word: bool = False


@dataclass(frozen=True, slots=True)
class Fails:
    """Lessons in which an exercise was shown and not there since it was there last, and the newest
    of them."""

    lessons: int
    last: date


def harms_after(
    before: Mapping[str, Harm], record: LessonRecord, week: GivenWeek | None, week_on: date | None
) -> dict[str, Harm]:
    """What hurt so far, with a lesson. `week`: the newest before it, given on `week_on`."""
    found = dict(before)
    given = {item.exercise: item.rung for item in week.items} if week else {}
    hurt = _hurt(record)
    for name, day in hurt.items():
        known = found.get(name)
        again = known is not None and known.week_on == week_on
        times = (known.times if known else 0) + (not again)
        rung = given.get(name) or (known.rung if known else 1)
        found[name] = Harm(times, day, rung, week_on)
    if not record.is_glance:
        for name, known in found.items():
            came_back = name in given and name not in hurt and known.week_on != week_on
            if came_back and not known.is_back:
                found[name] = replace(known, is_back=True)
    for item in record.week.items if record.week else ():
        if item.exercise in found and not found[item.exercise].is_back:
            found[item.exercise] = replace(found[item.exercise], by_word=True)
    return found


def _hurt(record: LessonRecord) -> dict[str, date]:
    """The newest day on which each exercise hurt, at home and in this lesson."""
    found = {}
    for name, days in record.practised.items():
        told = [day.on for day in days if day.pain and day.on is not None]
        if told:
            found[name] = max(told)
    found.update({shown.exercise: record.on for shown in record.shown if shown.day.pain})
    return found


def fails_after(before: Mapping[str, Fails], record: LessonRecord) -> dict[str, Fails]:
    found = dict(before)
    for shown in record.shown:
        known = found.pop(shown.exercise, None)
        if shown.day.passed:
            continue
        is_late = known is not None and (record.on - known.last).days >= OUT_AFTER_FAILING
        lessons = 1 if known is None or is_late else known.lessons + 1
        found[shown.exercise] = Fails(lessons, record.on)
    return found


def apart_on(
    harms: Mapping[str, Harm],
    fails: Mapping[str, Fails],
    aches: Aches,
    on: date,
    catalogue: Catalogue,
) -> dict[str, Apart]:
    """What stays out on a day, by exercise."""
    found = {}
    for name, known in fails.items():
        left = OUT_AFTER_FAILING - (on - known.last).days
        if known.lessons >= FAILED_LESSONS and left > 0:
            found[name] = Apart(Why.FAILED, left)
    for name, harm in harms.items():
        if harm.is_back or name not in catalogue.exercises:
            continue
        if harm.times >= TWICE and not harm.by_word:
            found[name] = Apart(Why.HURT_TWICE, None)
            continue
        quiet = (on - _last_pain(harm, catalogue.exercises[name].loads, aches)).days
        if quiet < OUT_AFTER_PAIN:
            found[name] = Apart(Why.HURT, OUT_AFTER_PAIN - quiet)
    return found


def _last_pain(harm: Harm, loads: Iterable[Place], aches: Aches) -> date:
    """Of the exercise, or at a place that it loads."""
    own = set(loads)
    return max([harm.last, *(ache.last for place, ache in aches.items() if place.spares & own)])


def returning(harms: Mapping[str, Harm]) -> dict[str, int]:
    """Exercises that hurt and are not back yet, each with the rung before that one."""
    return {name: max(1, harm.rung - 1) for name, harm in harms.items() if not harm.is_back}
