"""The music of an exercise on one of its rungs."""

from lefthand.exercises import Exercise
from lefthand.music.drills import DrillRequest, make_drill
from lefthand.music.score import Drill
from lefthand.vocabulary import Instrument


def drill_of(
    exercise: Exercise,
    rung: int,
    instrument: Instrument,
    *,
    fingers: tuple[int, ...] = (),
    seed: int = 1,
) -> Drill | None:
    """The drill of this rung (counted from 1) for this instrument, or None when it has no music.

    `fingers`: those aimed at, () for all. The same `seed` gives the same notes.
    """
    step = exercise.rung(rung)
    if step.drill is None:
        return None
    return make_drill(
        DrillRequest(
            drill=step.drill,
            instrument=instrument,
            tempo=step.dose.tempo,
            fingers=fingers,
            without=exercise.silent_fingers,
            low_fourth=step.low_fourth,
            seed=seed,
        )
    )
