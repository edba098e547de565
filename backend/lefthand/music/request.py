"""What a drill is made for, and the hand that plays it."""

from collections.abc import Iterable
from dataclasses import dataclass
from functools import cached_property

from lefthand.catalogue.drills import Recipe
from lefthand.music.hands import FRAMES, POSITIONS, Hand, Step, hand_of
from lefthand.music.score import Tone
from lefthand.music.strings import FINGERBOARDS, Fingerboard
from lefthand.values.errors import InputError
from lefthand.values.fingers import aimed_fingers, finger_pairs
from lefthand.values.vocabulary import FINGERS, Instrument, Level

USUAL_STRING = 2
HIGHEST_STRING = 3
MAX_BARS = 32
EASY, MIDDLE, HARD = 1, 2, 3
POSITIONS_UP = 2
TEMPO_RANGE = (20, 500)
# On the violin's highest string the low second finger keeps the key easy.
EASY_HIGH_FRAME = "close 1-2"
WIDE = "wide"


@dataclass(frozen=True, slots=True)
class DrillRequest:
    """What a drill is made for.

    tempo: quarter notes a minute, 20..500, None for the usual. bars: how many, 1..32. passes: how
    often the lines are gone through instead; spare: repetitions that the last time leaves out.
    fingers, pairs: what is aimed at and shall come most
    often, () for all alike. string: 0 is the lowest, None for the usual one. position and frame:
    see `hands`. difficulty 1..3. level: of the player, for the choice of a tune. rests: a bar of
    rest after every bar. slurred: as many notes as the recipe says under one slur, else the
    bar. seed: another one gives another order of notes, another tune. tune: this one and no other,
    of a recipe that plays a tune.
    """

    instrument: Instrument
    tempo: int | None = None
    bars: int | None = None
    passes: int | None = None
    spare: int = 0
    fingers: tuple[int, ...] = ()
    pairs: tuple[tuple[int, int], ...] = ()
    string: int | None = None
    position: int | None = None
    frame: str | None = None
    difficulty: int = MIDDLE
    level: Level = Level.INTERMEDIATE
    rests: bool = False
    slurred: bool = False
    seed: int = 1
    tune: str | None = None


def check_request(request: DrillRequest) -> None:
    """Raises InputError naming the field."""
    if request.string is not None and not 0 <= request.string <= HIGHEST_STRING:
        raise InputError("string", f"expected 0 (lowest) to 3, got {request.string!r}")
    if request.bars is not None and not 1 <= request.bars <= MAX_BARS:
        raise InputError("bars", f"expected 1 to {MAX_BARS}, got {request.bars!r}")
    if request.tempo is not None and not TEMPO_RANGE[0] <= request.tempo <= TEMPO_RANGE[1]:
        raise InputError("tempo", f"expected 20 to 500 quarters a minute, got {request.tempo!r}")
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

    recipe: Recipe
    request: DrillRequest

    @property
    def board(self) -> Fingerboard:
        return FINGERBOARDS[self.request.instrument]

    @property
    def position(self) -> int:
        wanted = self.request.position
        return wanted if wanted is not None else self.recipe.position or 1

    @cached_property
    def steps(self) -> Hand:
        return self._steps(self.request.frame or self.recipe.frame)

    @cached_property
    def steps_on_highest(self) -> Hand:
        """The same, or with a low second finger where that keeps the key easy."""
        asked = self.request.frame or self.recipe.frame
        is_easier = self.request.instrument is Instrument.VIOLIN and self.position == 1
        return self._steps(EASY_HIGH_FRAME) if is_easier and asked is None else self.steps

    def _steps(self, frame: str | None) -> Hand:
        return hand_of(self.request.instrument, self.position, frame)

    def steps_of(self, finger: int, string: int, *, wide: bool = False) -> Step:
        """Where a finger of this hand stands, above the open string. InputError naming the finger
        for one that this hand does not have."""
        if wide and WIDE in FRAMES[self.request.instrument]:
            steps = self._steps(WIDE)
        else:
            steps = self.steps_on_highest if string == HIGHEST_STRING else self.steps
        if finger not in steps:
            raise InputError("fingers", f"this hand has no finger {finger}")
        return steps[finger]

    def two_positions_up(self, finger: int) -> Step:
        highest = max(POSITIONS[self.request.instrument])
        goal = min(self.position + POSITIONS_UP, highest)
        if goal == self.position:
            raise InputError("position", f"expected one below {highest}, so that there is a way up")
        steps = hand_of(self.request.instrument, goal, self.request.frame or self.recipe.frame)
        return steps[finger]

    @property
    def string(self) -> int:
        return USUAL_STRING if self.request.string is None else self.request.string

    @property
    def fingers(self) -> tuple[int, ...]:
        """All fingers of the hand."""
        return tuple(self.steps)

    @property
    def targets(self) -> tuple[int, ...]:
        """The aimed-at fingers that this hand has, or all."""
        asked = {*self.request.fingers, *(f for pair in self.request.pairs for f in pair)}
        return aimed_fingers(self.fingers, asked)

    @property
    def is_aimed(self) -> bool:
        return bool(self.request.fingers or self.request.pairs)

    def tone(self, finger: int, string: int) -> Tone:
        if finger == 0:
            return Tone(self.board.strings[string], 0, string)
        return self.at(finger, self.steps_of(finger, string), string)

    def at(self, finger: int, steps: Step, string: int) -> Tone:
        """A finger wherever it stands, `steps` above the open string."""
        return Tone(self.board.strings[string].above(*steps).simple(), finger, string)

    def lower_neighbour(self, finger: int) -> int:
        """The finger below; the one above for the lowest."""
        index = self.fingers.index(finger)
        return self.fingers[index - 1] if index else self.fingers[1]

    def pairs_of_interest(self) -> list[tuple[int, int]]:
        """The asked-for pairs, else those of the aimed-at fingers. The lower finger first."""
        asked = [_sorted(pair) for pair in self.request.pairs if set(pair) <= set(self.fingers)]
        if asked:
            return list(dict.fromkeys(asked))
        return finger_pairs(self.fingers, self.request.fingers)


def _sorted(pair: Iterable[int]) -> tuple[int, int]:
    low, high = sorted(pair)
    return low, high
