"""Where on the neck the music of a step can lie, the easiest place first.

The middle strings come first and the lowest, thickest one last; the first position comes before
higher ones, of these the one that is taught first (common practice, no source).
"""

from collections.abc import Mapping
from dataclasses import dataclass, replace

from lefthand.catalogue.drills import Each, Recipe, Strings
from lefthand.catalogue.exercises import Exercise
from lefthand.composing.for_exercise import ForWhom, drill_of
from lefthand.music.request import HIGHEST_STRING, USUAL_STRING
from lefthand.music.strings import FINGERBOARDS
from lefthand.values.errors import InputError
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import Instrument

# 0 is the lowest.
STRINGS = (USUAL_STRING, 1, HIGHEST_STRING, 0)
POSITIONS: Mapping[Instrument, tuple[int, ...]] = {
    Instrument.VIOLIN: (1, 3, 2, 4, 5),
    Instrument.VIOLA: (1, 3, 2, 4, 5),
    Instrument.CELLO: (1, 4, 2, 3),
    Instrument.BASS: (1, 4, 2, 3),
}
MOVABLE = (Strings.USUAL, Strings.NEIGHBOURS)


@dataclass(frozen=True, slots=True)
class Spot:
    """A string, 0 the lowest, and a position of the hand."""

    string: int
    position: int


def spots_of(
    exercise: Exercise, rung: int, instrument: Instrument, whose: ForWhom
) -> tuple[Spot, ...]:
    """The places to which the music of this rung can be moved, in their order; () where it lies
    where it lies or has no music."""
    recipe = exercise.rung(rung).music.get(instrument)
    if recipe is None or not _is_movable(recipe):
        return ()
    spots = (Spot(s, p) for p in POSITIONS[instrument] for s in STRINGS)
    return tuple(s for s in spots if _is_playable(exercise, rung, instrument, whose, s))


def words_of_spot(spot: Spot, instrument: Instrument) -> Said:
    """ "on the D string, third position"."""
    string = FINGERBOARDS[instrument].strings[spot.string].letter
    return said("on-neck", string=string, position=spot.position)


def _is_movable(recipe: Recipe) -> bool:
    lies = recipe.scale or recipe.tune or recipe.position is not None
    return not lies and recipe.strings in MOVABLE and recipe.each is not Each.STRING


def _is_playable(
    exercise: Exercise, rung: int, instrument: Instrument, whose: ForWhom, spot: Spot
) -> bool:
    there = replace(whose, string=spot.string, position=spot.position)
    try:
        return drill_of(exercise, rung, instrument, there) is not None
    except InputError:
        return False
