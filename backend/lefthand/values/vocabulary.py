"""The fixed words of the field: instruments, stages, grades, likelihood words."""

from enum import IntEnum, StrEnum


class Instrument(StrEnum):
    VIOLIN = "vn"
    VIOLA = "va"
    CELLO = "vc"
    BASS = "db"

    @property
    def is_held_up(self) -> bool:
        """True for the instruments held at the shoulder."""
        return self in (Instrument.VIOLIN, Instrument.VIOLA)


class Level(StrEnum):
    BEGINNER = "beginner"
    INTERMEDIATE = "intermediate"
    ADVANCED = "advanced"

    @property
    def rank(self) -> int:
        return list(Level).index(self)


class Stage(StrEnum):
    """Stages of a lesson in their order, from far to near and from silent to fast."""

    SETUP = "setup"
    HAND = "hand"
    PLACED = "placed"
    DOWN = "down"
    SLOW = "slow"
    FAST = "fast"
    AFTER = "after"
    TRIAL = "trial"


class Kind(StrEnum):
    RELEASE = "release"
    PLACEMENT = "placement"
    STRENGTH = "strength"
    COORDINATION = "coordination"
    TRANSFER = "transfer"


class FingerRole(StrEnum):
    """What an exercise does with the finger that the findings name."""

    TRAIN = "train"
    LET_GO = "let_go"


class Setting(StrEnum):
    """Where an exercise is done, in the order in which a week's plan climbs."""

    AWAY = "away"
    SILENT = "silent"
    PLUCKED = "plucked"
    BOWED = "bowed"
    PIECE = "piece"


class Lately(StrEnum):
    """What changed about a player in the last months and asks for another look at the fit."""

    GROWTH = "growth"
    NEW_INSTRUMENT = "new_instrument"


class Grade(IntEnum):
    NONE = 0
    SLIGHT = 1
    CLEAR = 2
    STRONG = 3


class Likelihood(StrEnum):
    VERY_LIKELY = "very likely"
    LIKELY = "likely"
    POSSIBLE = "possible"
    UNLIKELY = "unlikely"


VERY_LIKELY_ABOVE = 0.8
LIKELY_ABOVE = 0.55
POSSIBLE_ABOVE = 0.25


def likelihood_of(probability: float) -> Likelihood:
    """The word a teacher reads for a probability in 0..1."""
    if probability > VERY_LIKELY_ABOVE:
        return Likelihood.VERY_LIKELY
    if probability > LIKELY_ABOVE:
        return Likelihood.LIKELY
    if probability > POSSIBLE_ABOVE:
        return Likelihood.POSSIBLE
    return Likelihood.UNLIKELY


FINGERS = (1, 2, 3, 4)
