"""What was told of pain in lessons and at home, as the core reads it."""

from collections.abc import Iterable, Mapping
from datetime import date, timedelta

from lefthand.practice.pains import (
    HURTS_FOR_DAYS,
    SAME,
    Ache,
    Pain,
    after_pains,
    asked_again,
    level_now,
    none_is_left,
)
from lefthand.practice.standing import Standing
from lefthand.values.vocabulary import Place
from studio.models import HomeDay, Lesson, RedFlag
from studio.models.weeks import HURT, LEAST_PAIN

A_PLACE_ALONE = LEAST_PAIN  # where a place was told and not how much
MOST_DAYS_OF_A_LINK = 63  # logs come in for eight weeks after the lesson, and some days late


def place_named(name: str | None) -> Place:
    """As it was stored; what is not known any more is somewhere."""
    return Place(name) if name is not None and name in set(Place) else Place.SOMEWHERE


def home_pains(player_id: int, after: date | None, until: date) -> list[Pain]:
    """What was logged at home after a day and up to another, oldest first."""
    logs = HomeDay.objects.filter(HURT, lesson__player=player_id, date__lte=until)
    if after is not None:
        reach = after - timedelta(days=MOST_DAYS_OF_A_LINK)
        logs = logs.filter(date__gt=after, lesson__date__gte=reach)
    return [logged(log) for log in logs.order_by("date")]


def logged(log: HomeDay) -> Pain:
    """What a log from home says of pain."""
    told = log.pain if log.pain > 0 else None
    return Pain(log.date, place_named(log.place), log.felt_pain, told=told)


def newest_lift(flags: Iterable[RedFlag], on: date) -> date | None:
    """When the newest true stop up to a day was lifted."""
    lifted = [f.lifted_on for f in flags if f.lifted_on and not f.mistaken and f.lifted_on <= on]
    return max(lifted, default=None)


def aches_before_answers(
    before: Standing, home: Iterable[Pain], lifted: date | None
) -> dict[Place, Ache]:
    """Where it hurt before a lesson's own answers: in lessons before it, and at home since."""
    return after_pains(before.aches, home, lifted)


def told_in(lesson: Lesson, aches: Mapping[Place, Ache]) -> list[Pain]:
    """What a lesson says of pain: its reports, exercises shown, and how what was told last time is
    now. `aches`: before its answers."""
    pain, where = lesson.reports.get("pain"), lesson.reports.get("place")
    found = beside_reports(lesson, aches)
    if pain == 0:
        found += none_is_left(aches, lesson.date)
    elif pain is not None or where:
        level = A_PLACE_ALONE if pain is None else pain
        found.append(Pain(lesson.date, place_named(where), level, told=pain))
    return found


def beside_reports(lesson: Lesson, aches: Mapping[Place, Ache]) -> list[Pain]:
    """The same without the reports themselves."""
    return [*_again(lesson, aches), *_in_exercises(lesson)]


def _in_exercises(lesson: Lesson) -> list[Pain]:
    hurt = max((result.pain or 0 for result in lesson.results.all()), default=0)
    where = place_named(lesson.reports.get("place"))
    if where is Place.SKIN:  # what hurts in an exercise is never skin alone
        where = Place.SOMEWHERE
    return [Pain(lesson.date, where, hurt, told=hurt)] if hurt > 0 else []


def _again(lesson: Lesson, aches: Mapping[Place, Ache]) -> list[Pain]:
    told = {place_named(key): answer for key, answer in lesson.again.items() if key in set(Place)}
    return [
        Pain(
            lesson.date,
            place,
            level_now(answer, aches[place].level),
            told=aches[place].told if answer == SAME else None,
            answer=answer,
        )
        for place, answer in told.items()
        if place in aches
    ]


def open_questions(lesson: Lesson, aches: Mapping[Place, Ache]) -> dict[Place, Ache]:
    """Places that hurt last time and of which this lesson has not said how they are now. `aches`:
    before its answers."""
    answered = {pain.place for pain in told_in(lesson, aches)}
    asked = asked_again(aches, lesson.date)
    return {place: ache for place, ache in asked.items() if place not in answered}


def pains_since(lesson: Lesson, on: date) -> list[Pain]:
    """All that was told in the seven days up to a day and after a lesson: at home from its day on,
    and in later lessons. What was told in the lesson itself its week knows already."""
    since = max(on - timedelta(days=HURTS_FOR_DAYS), lesson.date)
    found = home_pains(lesson.player_id, since - timedelta(days=1), on)
    later = Lesson.objects.filter(
        player=lesson.player_id, date__gte=since, date__gt=lesson.date, date__lte=on
    )
    for each in later.prefetch_related("results"):
        known = {place_named(key): Ache(each.date, each.date, 1.0) for key in each.again}
        found += [pain for pain in told_in(each, known) if pain.level > 0]
    return found
