"""What a note may ask of the left hand: one demand, whose hand it is, and the note with what was
before it."""

from dataclasses import dataclass, field

from lefthand.fit.stops import span_needed
from lefthand.passage.levels import Ease
from lefthand.passage.places import HALF, Hand, Place, position_of
from lefthand.passage.played import Played
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import Instrument
from lefthand.words import words_of

STRINGS = 4
ENTRY_AFTER = 0.3  # s of rest
QUICK = 0.3  # s
HIGH_FROM = 5  # base
OF_A_REPEAT = 0.2
USUAL_TOP = {  # semitones, first to fourth
    Instrument.VIOLIN: 5,
    Instrument.VIOLA: 5,
    Instrument.CELLO: 3,
    Instrument.BASS: 2,
}
WITH_EACH_STOP = frozenset(
    [
        "own.played",
        "own.stretched",
        "stretched_fourth",
        "own.low",
        "fourth_reach",
        "low_first",
        "own.far",
        "far",
        "own.thick",
        "thick",
        "high",
        "own.high",
        "own.double",
        "double",
        "chord",
        "ring",
        "own.ring",
        "wide",
    ]
)


@dataclass(frozen=True, slots=True)
class Demand:
    """note: place in the line. finger: that it falls on. note it falls to may lie one back. beyond:
    what a reach needs over what this hand has at ease, mm."""

    note: int
    bar: int
    kind: str
    points: float
    finger: int
    says: Said
    beyond: float = 0.0

    @property
    def words(self) -> str:
        words: str = words_of(self.says)
        return words


@dataclass(frozen=True, slots=True)
class Whose:
    """The hand that plays. length: of the string, mm. span: first to fourth at ease, mm. marks:
    notes after which the hand is told to let go."""

    instrument: Instrument
    ease: Ease
    length: float
    span: float | None = None
    marks: frozenset[int] = frozenset()

    @property
    def usual_span(self) -> float:
        return self.span or span_needed(self.length, 2, 2 + USUAL_TOP[self.instrument])


@dataclass(slots=True)
class Run:
    """What was since the hand could last let go, and the starts of this run."""

    seconds: float = 0.0
    stops: int = 0
    starts: list[float] = field(default_factory=list)
    down: float = 0.0  # s, when the hand came down on what it repeats, or the bar began
    last: dict[int, tuple[int, Place, float]] = field(default_factory=dict)

    def rate(self) -> float:
        """Notes a second over the last five."""
        if len(self.starts) < 3 or self.starts[-1] <= self.starts[0]:
            return 0.0
        return (len(self.starts) - 1) / (self.starts[-1] - self.starts[0])


@dataclass(frozen=True, slots=True)
class Here:
    """One note with its hand and the one before."""

    place: int
    note: Played
    hand: Hand
    before: "Here | None"
    whose: Whose
    rate: float
    is_moved: bool

    @property
    def stopped(self) -> list[Place]:
        return [place for place in self.hand.places if place.finger]

    @property
    def lead(self) -> Place:
        return self.hand.places[-1]

    @property
    def haste(self) -> float:
        calm = self.whose.ease.calm
        return held_to((self.rate - calm) / calm)

    @property
    def seconds_since(self) -> float:
        if self.before is None:
            return 1.0
        if self.note.is_grace:
            return 0.1
        return max(0.05, self.note.at - self.before.note.at)

    def demand(self, kind: str, points: float, finger: int, says: Said) -> Demand:
        repeated = kind in WITH_EACH_STOP and not self.is_moved
        told = points * (OF_A_REPEAT if repeated else 1.0)
        return Demand(self.place, self.note.bar, kind, told, finger, says)


def held_to(value: float, low: float = 0.0, high: float = 2.0) -> float:
    return min(high, max(low, value))


def position_said(here: Here, base: int | None = None) -> Said:
    of = here.hand.base if base is None else base
    number = position_of(here.whose.instrument, of)
    return said("hand-position", number=0 if of == HALF else number)


def finger_said(finger: int) -> Said:
    return said(f"finger-{finger}")
