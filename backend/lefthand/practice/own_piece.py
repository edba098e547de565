"""The step into music in the player's own piece: which bars of it, at what tempo, how often.

The bars are chosen where the trouble will come back (`lefthand.passage`), and are as many as the
step of the exercise says. More time than the step was planned for is not asked: where the bars take
longer they are played less often, once at least.
"""

import math
from dataclasses import replace

from lefthand.catalogue.exercises import Exercise, InPiece, PieceTempo
from lefthand.practice.own_place import OwnPlace
from lefthand.practice.plan import PlanItem
from lefthand.practice.tempo import SLOW_SHARE, TEMPO_RANGE

HALF = 0.5


def in_own_piece(item: PlanItem, exercise: Exercise, place: OwnPlace | None) -> PlanItem:
    """The item with its bars, tempo and dose for this place; as it was where its step is not played
    in a piece of one's own."""
    told = exercise.rung(item.rung).in_piece
    if place is None or told is None:
        return item
    window = place.window(item.dose.reps if item.dose.is_in_bars else told.bars)
    tempo, goal = _tempi(told, place)
    dose = replace(item.dose, tempo=tempo)
    quickest = place.seconds(window, tempo or place.start)
    if dose.is_in_bars:
        bars = window[1] - window[0] + 1
        dose = replace(dose, reps=bars, seconds=quickest / bars)
        planned = item.dose.work_seconds(len(item.fingers))
        dose = replace(dose, sets=max(1, min(dose.sets, int(planned / quickest))))
    elif quickest > dose.seconds:
        reps = max(1, math.floor(dose.reps * dose.seconds / quickest))
        dose = replace(dose, reps=reps, seconds=quickest)
    return replace(
        item, dose=dose, minutes=dose.minutes(len(item.fingers)), goal=goal, in_piece=window
    )


def _tempi(told: InPiece, place: OwnPlace) -> tuple[int | None, int | None]:
    """Where the tempo begins and where it leads, quarters a minute."""
    low, high = TEMPO_RANGE
    half = max(low, min(place.start, round(HALF * place.goal)))
    goal = min(high, place.goal)
    nearer = round(SLOW_SHARE * goal)
    starts, ends = {
        None: (None, None),
        PieceTempo.HALF: (half, None),
        PieceTempo.SLOW: (place.start, None),
        PieceTempo.NEARER: (place.start, nearer),
        PieceTempo.FULL: (place.start, goal),
    }[told.tempo]
    return starts, ends if starts is not None and ends is not None and ends > starts else None
