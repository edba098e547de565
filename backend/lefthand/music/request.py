"""What a drill is made for, and the hand that plays it."""

from dataclasses import dataclass
from fractions import Fraction
from functools import cached_property

from lefthand.music.hands import FRAMES, LOW_FOURTH, Hand, hand_of
from lefthand.music.score import QUARTER, Event, Tone
from lefthand.music.strings import FINGERBOARDS, Fingerboard
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import FINGERS, Instrument

USUAL_STRING = 2
MAX_BARS = 32
EASY, MIDDLE, HARD = 1, 2, 3


@dataclass(frozen=True, slots=True)
class DrillRequest:
    """What a drill is made for.

    tempo: notes a minute as the exercise counts them. bars: how many, 1..32, None for the usual
    number; drills with a shape of their own keep it. fingers, pairs: what is weak and shall come
    most often, () for all alike. string: 0 is the lowest, None for the usual one. position and
    frame: see `hands`. difficulty 1..3. rests: a bar of rest after every bar. without: fingers that
    stay silent. start: finger on which a tune begins, None for any. seed: another seed gives
    another order of notes.
    """

    drill: str
    instrument: Instrument
    tempo: int | None = None
    bars: int | None = None
    fingers: tuple[int, ...] = ()
    pairs: tuple[tuple[int, int], ...] = ()
    string: int | None = None
    position: int = 1
    frame: str | None = None
    difficulty: int = MIDDLE
    rests: bool = False
    without: tuple[int, ...] = ()
    start: int | None = None
    seed: int = 1


def check_request(request: DrillRequest) -> None:
    """Raises InputError naming the field."""
    if request.string is not None and not 0 <= request.string < len(FINGERS):
        raise InputError("string", f"expected 0 (lowest) to 3, got {request.string!r}")
    if request.bars is not None and not 1 <= request.bars <= MAX_BARS:
        raise InputError("bars", f"expected 1 to {MAX_BARS}, got {request.bars!r}")
    if request.difficulty not in (EASY, MIDDLE, HARD):
        raise InputError("difficulty", f"expected 1 to 3, got {request.difficulty!r}")
    if not set(request.fingers) <= set(FINGERS):
        raise InputError("fingers", f"expected fingers 1 to 4, got {request.fingers!r}")
    for pair in request.pairs:
        if len(set(pair)) != len(pair) or not set(pair) <= set(FINGERS):
            raise InputError("pairs", f"expected two different fingers 1 to 4, got {pair!r}")


@dataclass(frozen=True)
class DrillHand:
    """The hand of a request on its instrument."""

    request: DrillRequest

    @cached_property
    def board(self) -> Fingerboard:
        return FINGERBOARDS[self.request.instrument]

    @cached_property
    def steps(self) -> Hand:
        return hand_of(self.request.instrument, self.request.position, self.request.frame)

    @cached_property
    def low_fourth(self) -> tuple[int, int]:
        """The fourth a half step lower, where the instrument has such a frame."""
        frames = FRAMES[self.request.instrument]
        if LOW_FOURTH not in frames:
            letters, semitones = self.steps[4]
            return letters, semitones - 1
        return hand_of(self.request.instrument, self.request.position, LOW_FOURTH)[4]

    @property
    def string(self) -> int:
        return USUAL_STRING if self.request.string is None else self.request.string

    @property
    def strings(self) -> list[int]:
        """All strings, the chosen one first, then its neighbours."""
        return sorted(range(4), key=lambda s: (abs(s - self.string), -s))

    @property
    def fingers(self) -> tuple[int, ...]:
        """All fingers of the hand."""
        return tuple(self.steps)

    @property
    def targets(self) -> tuple[int, ...]:
        """The aimed-at fingers that this hand has, or all."""
        wanted = {*self.request.fingers, *(f for pair in self.request.pairs for f in pair)}
        return tuple(f for f in self.fingers if f in wanted) or self.fingers

    def bars(self, usual: int) -> int:
        return self.request.bars or usual

    def tone(self, finger: int, string: int | None = None) -> Tone:
        place = self.string if string is None else string
        if finger == 0:
            return Tone(self.board.strings[place], 0, place)
        return Tone(self.board.strings[place].above(*self.steps[finger]).simple(), finger, place)

    def note(
        self, finger: int, length: Fraction = QUARTER, *marks: str, string: int | None = None
    ) -> Event:
        if finger in self.request.without:
            return Event(length)
        return Event(length, (self.tone(finger, string),), frozenset(marks))

    def at(
        self, finger: int, steps: tuple[int, int], length: Fraction = QUARTER, *marks: str
    ) -> Event:
        """A finger away from its usual place, `steps` above the open string."""
        tone = Tone(self.board.strings[self.string].above(*steps).simple(), finger, self.string)
        return Event(length, (tone,), frozenset(marks))
