"""The fixed words of the field: instruments, stages, grades, likelihood words."""

from enum import IntEnum, StrEnum

DAYS_A_WEEK = 7


class Instrument(StrEnum):
    VIOLIN = "vn"
    VIOLA = "va"
    CELLO = "vc"
    BASS = "db"

    @property
    def is_held_up(self) -> bool:
        """True for the instruments held at the shoulder."""
        return self in (Instrument.VIOLIN, Instrument.VIOLA)

    @property
    def words(self) -> str:
        """Its name, as everybody says it."""
        return "double bass" if self is Instrument.BASS else self.name.lower()


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


class StopLook(StrEnum):
    """What is looked at where a tune stops, in this order."""

    THUMB = "thumb"
    ELBOW = "elbow"
    FINGER = "finger"


class Setting(StrEnum):
    """Where an exercise is done, in the order in which a week's plan climbs."""

    AWAY = "away"
    SILENT = "silent"
    PLUCKED = "plucked"
    BOWED = "bowed"
    PIECE = "piece"


class Done(StrEnum):
    """How much of a day's practice was done."""

    DONE = "done"
    PARTLY = "partly"
    NOT = "not"


class Felt(StrEnum):
    """How the hand felt after a day's practice; UNSAID where nobody said it."""

    UNSAID = ""
    SOFT = "soft"
    MIXED = "mixed"
    TIGHT = "tight"


class KeptInMind(StrEnum):
    """How much of the week's one thing was there; UNSAID where nobody said it."""

    UNSAID = ""
    MOSTLY = "mostly"
    PARTLY = "partly"
    NOT = "not"


class HurtSaid(StrEnum):
    """It hurt and no more was said, or it was said to be nothing after all."""

    UNSAID = ""
    OPEN = "open"
    NOTHING = "nothing"


class RedSign(StrEnum):
    """What stops a week at once, as a player tells it; also the names of these reports."""

    NUMBNESS = "numbness"
    RADIATING = "radiating"
    CURLING = "curling"
    SWELLING = "swelling"
    SUDDEN_WEAKNESS = "sudden_weakness"


class Later(StrEnum):
    """When a pain was still there, as is asked the next day."""

    NEXT_DAY = "next_day"
    REST = "rest"
    NIGHT = "night"


class Lately(StrEnum):
    """What changed about a player in the last months and asks for another look at the fit."""

    GROWTH = "growth"
    NEW_INSTRUMENT = "new_instrument"


class Place(StrEnum):
    """Where it hurts, from the fingertips up. Skin is that of the fingertips; somewhere: where
    nobody said it."""

    SKIN = "skin"
    FINGERS = "fingers"
    THUMB = "thumb"
    HAND = "hand"
    WRIST = "wrist"
    FOREARM = "forearm"
    ELBOW = "elbow"
    UPPER_ARM = "upper_arm"
    SHOULDER = "shoulder"
    NECK = "neck"
    BACK = "back"
    SOMEWHERE = "somewhere"

    @property
    def spares(self) -> frozenset["Place"]:
        """The places that nothing may load while this one hurts: itself and what works with it
        (working judgement, no source); none for sore skin, which is ordinary, and where nobody
        knows."""
        return SPARED.get(self, frozenset({self}))


SPARED = {
    Place.SKIN: frozenset[Place](),
    Place.SOMEWHERE: frozenset[Place](),
    Place.HAND: frozenset({Place.HAND, Place.THUMB, Place.FINGERS}),
    Place.ELBOW: frozenset({Place.ELBOW, Place.FOREARM}),
}


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
