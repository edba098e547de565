"""Where it hurts, over lessons and days at home: how long at one place, and what follows.

What is told of a place runs on while it is told again within two weeks and nobody says that it is
gone. Nobody has to tick that it is new, still there the next day, or two weeks old: the days say
so (rules of the trade, common practice, no source).
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import date, timedelta

from lefthand.case.case import Hurt
from lefthand.reason.safety import RED_PAIN
from lefthand.values.vocabulary import DAYS_A_WEEK, Place

RUN_ENDS_AFTER = timedelta(days=14)
HURTS_FOR_DAYS = 7
MOST_PAIN = 10


@dataclass(frozen=True, slots=True)
class Pain:
    """What was told of a place on a day. level: 0..10, what it counts as; 0 says that it is gone.
    told: the number, None where none was told; answer: beside last time, "" for none."""

    on: date
    place: Place
    level: float
    told: float | None = None
    answer: str = ""


@dataclass(frozen=True, slots=True)
class Ache:
    """A place that hurt. first, last: days of the newest run; `is_over` where somebody said since
    that it is gone. level: what it counted as last, 0..10; told, answer: as it was said then.
    day_before: it hurt on the day before `last`, too."""

    first: date
    last: date
    level: float
    is_over: bool = False
    day_before: bool = False
    told: float | None = None
    answer: str = ""

    @property
    def weeks(self) -> float:
        """How long it has hurt by now at this place."""
        return (self.last - self.first).days / DAYS_A_WEEK


Aches = Mapping[Place, Ache]


def after_pains(
    before: Aches, told: Iterable[Pain], lifted: date | None = None
) -> dict[Place, Ache]:
    """The places with what was told since, in any order. `lifted`: when the newest stop was lifted;
    what its note covers does not count again in how long a place has hurt."""
    found = dict(before)
    for pain in sorted(told, key=lambda each: (each.on, each.level)):
        known = found.get(pain.place)
        if pain.level > 0:
            found[pain.place] = _told_again(known, pain)
        elif known is not None:
            found[pain.place] = replace(known, is_over=True)
    return found if lifted is None else {p: _anew(each, lifted) for p, each in found.items()}


def _anew(ache: Ache, lifted: date) -> Ache:
    first = max(ache.first, min(lifted, ache.last))
    return replace(ache, first=first, day_before=ache.day_before and lifted < ache.last)


def _told_again(known: Ache | None, pain: Pain) -> Ache:
    if known is None or known.is_over or pain.on - known.last > RUN_ENDS_AFTER:
        return Ache(pain.on, pain.on, pain.level, told=pain.told, answer=pain.answer)
    if pain.on < known.last or (pain.on == known.last and pain.level < known.level):
        return replace(known, first=min(known.first, pain.on))
    followed = pain.on - known.last == timedelta(days=1)
    before = known.day_before if pain.on == known.last else followed
    told, answer = pain.told, pain.answer
    return Ache(known.first, pain.on, pain.level, day_before=before, told=told, answer=answer)


def none_is_left(before: Aches, on: date) -> list[Pain]:
    """What it means that nothing hurts on a day."""
    return [Pain(on, place, 0) for place, ache in before.items() if not ache.is_over]


def asked_again(before: Aches, on: date) -> dict[Place, Ache]:
    """Places of which a lesson on a day asks how they are now: what hurt before it and is not said
    to be gone."""
    return {place: ache for place, ache in before.items() if not ache.is_over and ache.last < on}


def hurting_on(aches: Aches, on: date) -> dict[Place, Hurt]:
    """What hurt on a day or in the seven days before it, also where it is gone by now."""
    late = {place: (on - ache.last).days for place, ache in aches.items()}
    return {
        place: Hurt(aches[place].level, days)
        for place, days in late.items()
        if 0 <= days <= HURTS_FOR_DAYS
    }


@dataclass(frozen=True, slots=True)
class OverTime:
    """What the days say of pain that is told on one of them. weeks: the longest at one place;
    next_day: the same place hurt on the day before; is_new: it did not hurt there in the two weeks
    before. Fingertip skin is left out."""

    weeks: float
    next_day: bool
    is_new: bool


NOT_YET = OverTime(0.0, next_day=False, is_new=False)


def over_time(aches: Aches, on: date) -> OverTime:
    """`aches`: with what was told on this day."""
    now = [
        a for place, a in aches.items() if a.last == on and place != Place.SKIN and not a.is_over
    ]
    return OverTime(
        weeks=max((ache.weeks for ache in now), default=0.0),
        next_day=any(ache.day_before for ache in now),
        is_new=any(ache.first == on for ache in now),
    )


GONE, LESS, SAME, MORE = "gone", "less", "same", "more"
ANSWERS = (GONE, LESS, SAME, MORE)


def level_now(answer: str, level: float) -> float:
    """What an answer about pain of this level counts as, 0..10. Less alone is no stop: that takes
    a number that was told."""
    if answer == GONE:
        return 0.0
    if answer == LESS:
        return min(max(1.0, level - 1), RED_PAIN - 1.0)
    return min(MOST_PAIN, level + 1) if answer == MORE else level
