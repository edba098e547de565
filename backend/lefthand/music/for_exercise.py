"""The music of an exercise on one of its rungs."""

from collections.abc import Mapping

from lefthand.catalogue.exercises import Exercise
from lefthand.music.drills import make_drill
from lefthand.music.hands import BASS_FRAME_OF_WAY, FRAMES, LOW_FOURTH
from lefthand.music.request import EASY, HARD, MIDDLE, DrillRequest
from lefthand.music.score import Drill
from lefthand.values.vocabulary import Instrument

NO_WAYS: Mapping[str, str] = {}


def drill_of(
    exercise: Exercise,
    rung: int,
    instrument: Instrument,
    *,
    fingers: tuple[int, ...] = (),
    ways: Mapping[str, str] = NO_WAYS,
    seed: int = 1,
) -> Drill | None:
    """The drill of this rung (counted from 1) for this instrument, or None when it has no music.

    `fingers`: those aimed at, () for all. `ways`: the ways of teaching that were chosen. The same
    `seed` gives the same notes.
    """
    step = exercise.rung(rung)
    if step.drill is None:
        return None
    frame = BASS_FRAME_OF_WAY.get(ways.get("bass_fingering", ""))
    if step.low_fourth:
        frame = LOW_FOURTH
    request = DrillRequest(
        drill=step.drill,
        instrument=instrument,
        tempo=step.dose.tempo,
        bars=step.dose.reps if step.dose.unit == "bars" else None,
        fingers=fingers,
        frame=frame if frame in FRAMES[instrument] else None,
        difficulty=_difficulty(rung, len(exercise.rungs)),
        without=exercise.silent_fingers,
        start=step.start,
        seed=seed,
    )
    return make_drill(request)


def _difficulty(rung: int, rungs: int) -> int:
    """The lowest rung is easy, the highest of at least three is hard."""
    if rung == 1:
        return EASY
    return HARD if rung == rungs and rungs > MIDDLE else MIDDLE
