"""A week of practice as it really goes: a missed day is moved, never piled up.

Rule of the product (working judgement, no source): what was meant for a missed day goes as a whole
to the first later day that is still free, and is let go when there is none. So no day holds more
than one day's work, and a day that was made up is not asked for again. Loads never stand on two
days running when they are to rest a day between.
"""

from collections.abc import Collection, Iterable, Mapping

LAST_DAY = 7

Week = Mapping[str, Collection[int]]


def fullest_day(items: Iterable[tuple[float, Collection[int]]]) -> float:
    """Minutes of the day that asks for most, from (minutes, days) of each exercise; 0 for none."""
    by_day: dict[int, float] = {}
    for minutes, days in items:
        for day in days:
            by_day[day] = by_day.get(day, 0.0) + minutes
    return max(by_day.values(), default=0.0)


def moved_week(
    planned: Week, *, done: Collection[int], today: int, apart: Collection[str] = ()
) -> dict[str, list[int]]:
    """Days (1..7 after the lesson) of each exercise with missed days moved to free ones.

    done: days on which something was practised, whatever was planned. today: 0 is the day of the
    lesson; days before it that held something and were not done are missed. apart: exercises that
    load the hand and may not stand on two days running, one beside another of them neither.

    The week is followed day by day, so that a day holds the same whenever it is asked about.
    """
    week = {name: set(days) for name, days in planned.items()}
    for day in range(1, min(today, LAST_DAY + 1)):
        names = [name for name, days in week.items() if day in days]
        if day in done or not names:
            continue
        for name in names:
            week[name].discard(day)
        free = _first_free(week, day + 1)
        if free is None:
            continue
        for name in names:
            if name not in apart or not _has_load_beside(week, free, apart):
                week[name].add(free)
    return {name: sorted(days) for name, days in week.items()}


def _first_free(week: Mapping[str, set[int]], first: int) -> int | None:
    taken = {day for days in week.values() for day in days}
    return next((day for day in range(first, LAST_DAY + 1) if day not in taken), None)


def _has_load_beside(week: Mapping[str, set[int]], day: int, apart: Collection[str]) -> bool:
    return any({day - 1, day + 1} & week[name] for name in apart if name in week)
