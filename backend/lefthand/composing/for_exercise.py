"""The music of an exercise on one of its rungs."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.exercises import Exercise, Rung
from lefthand.composing.compose import make_drill
from lefthand.composing.kept_down import lets_fingers_off, with_fingers_down
from lefthand.music.hands import bass_frame, hand_of
from lefthand.music.request import EASY, HARD, MIDDLE, DrillRequest
from lefthand.music.score import WHOLE, Drill
from lefthand.values.dose import Dose
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import FINGERS, FingerRole, Instrument, Level


@dataclass(frozen=True, slots=True)
class ForWhom:
    """Whose music it is. `fingers`: those aimed at, () for all. `ways`: the ways of teaching that
    were chosen. `level`: of the player. `dose`: how much is given, None for what the rung says; the
    music is as long. The same `seed` gives the same notes. `position`: of the hand, `string`: 0 the
    lowest, None for the step's own; only music of single notes under one hand can be put elsewhere.
    """

    fingers: tuple[int, ...] = ()
    ways: Mapping[str, str] = field(default_factory=dict)
    level: Level = Level.INTERMEDIATE
    dose: Dose | None = None
    seed: int = 1
    position: int | None = None
    string: int | None = None

    @property
    def keeps_down(self) -> bool:
        """True where fingers that have played stay down."""
        ways = load_catalogue().ways
        return any(value in ways[key].keeps_down for key, value in self.ways.items() if key in ways)


ANYBODY = ForWhom()


def drill_of(
    exercise: Exercise, rung: int, instrument: Instrument, whose: ForWhom = ANYBODY
) -> Drill | None:
    """The music of this rung (counted from 1) for this instrument, or None when it has none."""
    step = exercise.rung(rung)
    recipe = step.music.get(instrument)
    bass_hand = bass_frame(whose.ways)
    if recipe is None or (
        exercise.four_fingers
        and instrument is Instrument.BASS
        and len(hand_of(instrument, frame=bass_hand)) < len(FINGERS)
    ):
        return None
    if whose.position is not None and (recipe.scale or recipe.tune):
        raise InputError("position", "scales and tunes lie where they lie")
    given = whose.dose or step.dose
    repetitions, usual = _repetitions(given, step), _repetitions(step.dose, step)
    passes = math.ceil(repetitions / recipe.holds)
    is_less = repetitions < usual and recipe.holds <= usual
    request = DrillRequest(
        instrument=instrument,
        tempo=given.tempo or _tempo_of_hold(given),
        bars=given.reps if given.is_in_bars else None,
        passes=None if given.is_in_bars else passes,
        spare=passes * recipe.holds - repetitions if is_less else 0,
        fingers=_sounding(exercise, whose.fingers),
        position=whose.position,
        string=whose.string,
        frame=bass_hand if instrument is Instrument.BASS else None,
        difficulty=_difficulty(rung, len(exercise.rungs)),
        level=whose.level,
        seed=whose.seed,
    )
    asked = {
        "exercise": exercise.id,
        "rung": rung,
        "instrument": instrument.value,
        "fingers": list(whose.fingers),
        "way": dict(whose.ways),
        "seed": whose.seed,
        **({} if whose.position is None else {"position": whose.position}),
        **({} if whose.string is None else {"string": whose.string}),
    }
    drill = make_drill(recipe, request, tuple(asked.items()))
    if whose.keeps_down and not lets_fingers_off(exercise) and recipe.tune is None:
        drill = with_fingers_down(drill)
    return replace(drill, name=exercise.id)


def _repetitions(dose: Dose, step: Rung) -> int:
    """As many as the music holds."""
    return dose.reps * (dose.sets if step.all_sets else 1)


def _sounding(exercise: Exercise, fingers: tuple[int, ...]) -> tuple[int, ...]:
    """The fingers that the music is to use most. Where a finger is to be let go while another one
    sounds for long, the others sound."""
    holds_one = exercise.finger is FingerRole.LET_GO and any(r.dose.is_hold for r in exercise.rungs)
    if not holds_one or not fingers:
        return fingers
    return tuple(f for f in (2, 3, 4, 1) if f not in fingers)[:1]


def _tempo_of_hold(dose: Dose) -> int | None:
    """The tempo at which a whole note, as which holds are written, lasts as long as the hold."""
    return round(60 * float(WHOLE) / dose.seconds) if dose.is_hold else None


def _difficulty(rung: int, rungs: int) -> int:
    """The lowest rung is easy, the highest of at least three is hard."""
    if rung == 1:
        return EASY
    return HARD if rung == rungs and rungs > MIDDLE else MIDDLE
