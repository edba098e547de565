"""Tempo work: from a loose start to a goal in small steps, by what went clean and what missed.

Rules (common practice, no source): three clean times in a row, then one step faster; two misses in
a row, then one step back; about four fifths of the work stays below the goal.
"""

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from lefthand.catalogue.exercises import Exercise

LARGEST_STEP = 1.08
CLEAN_TO_CLIMB = 3
MISSES_TO_STEP_BACK = 2
SLOW_SHARE = 0.8
TEMPO_RANGE = (20, 300)


@dataclass(frozen=True, slots=True)
class TempoNow:
    """Where the work stands. `tempo`: the beat now. `highest`: the highest beat at which it was
    clean three times running, None for none yet. `slow`: share of the plays that lay below the
    goal, 0..1, None before the first."""

    tempo: int
    highest: int | None
    slow: float | None


def goal_tempo(exercise: Exercise, rung: int) -> int | None:
    """Where a step's tempo leads, beats a minute: to that of the next step that has a quicker one;
    None for a step without a tempo, or with none above it."""
    here = exercise.rung(rung).dose.tempo
    later = [each.dose.tempo for each in exercise.rungs[rung:]]
    return next((t for t in later if here is not None and t is not None and t > here), None)


def tempo_steps(start: int, goal: int) -> list[int]:
    """Beats a minute from start to goal, each at most 8 % faster than the one before."""
    if goal <= start:
        return [start]
    count = math.ceil(math.log(goal / start) / math.log(LARGEST_STEP))
    steps = [round(start * (goal / start) ** (i / count)) for i in range(count + 1)]
    return list(dict.fromkeys(steps))


def steps_between(start: int | None, goal: int | None) -> list[int]:
    """The steps of an item's tempo work; none where it has no start, or no goal above it."""
    if start is None or goal is None or goal <= start:
        return []
    return tempo_steps(start, goal)


def tempo_after(steps: Sequence[int], plays: Iterable[bool]) -> TempoNow:
    """Where one stands on these steps after plays, True for a clean one, oldest first."""
    at, clean, missed, slow, count = 0, 0, 0, 0, 0
    highest: int | None = None
    for is_clean in plays:
        count += 1
        slow += steps[at] < steps[-1]
        clean, missed = (clean + 1, 0) if is_clean else (0, missed + 1)
        if clean == CLEAN_TO_CLIMB:
            highest = max(highest or 0, steps[at])
            at, clean = min(at + 1, len(steps) - 1), 0
        if missed == MISSES_TO_STEP_BACK:
            at, missed = max(at - 1, 0), 0
    return TempoNow(steps[at], highest, slow / count if count else None)
