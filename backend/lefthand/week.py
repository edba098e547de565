"""A week of practice as it really goes: a missed day is moved, never piled up.

Rule of the product (working judgement, no source): what was meant for a missed day goes as a whole
to the first later day that is still free, and is let go when there is none. So no day holds more
than one day's work. Loads never stand on two days running when they are to rest a day between.
"""

from collections.abc import Collection, Mapping

LAST_DAY = 7

Week = Mapping[str, Collection[int]]


def moved_week(
    planned: Week, *, done: Collection[int], today: int, apart: Collection[str] = ()
) -> dict[str, list[int]]:
    """Days (1..7 after the lesson) of each exercise with missed days moved to free ones.

    done: days on which something was practised, whatever was planned. today: 0 is the day of the
    lesson; days before it that were planned and not done are missed. apart: exercises that may not
    stand on two days running.
    """
    week = {name: set(days) for name, days in planned.items()}
    missed = sorted({d for days in week.values() for d in days if d < today and d not in done})
    for day in missed:
        names = [name for name, days in week.items() if day in days]
        for name in names:
            week[name].discard(day)
        taken = {d for days in week.values() for d in days} | set(done)
        free = next((d for d in range(max(today, 1), LAST_DAY + 1) if d not in taken), None)
        if free is None:
            continue
        for name in names:
            if name not in apart or not {free - 1, free + 1} & week[name]:
                week[name].add(free)
    return {name: sorted(days) for name, days in week.items()}
