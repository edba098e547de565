"""Drill generators: one for every drill that an exercise names.

Every drill is playable in first position by construction: each note is asked of one string and
finger of the instrument's hand. The same request gives the same drill.
"""

import random
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from fractions import Fraction
from itertools import permutations

from lefthand.errors import InputError
from lefthand.music.score import (
    EIGHTH,
    HALF,
    QUARTER,
    SIXTEENTH,
    WHOLE,
    Drill,
    Event,
    Tone,
    into_bars,
    rest,
)
from lefthand.music.strings import FINGERBOARDS, LOW_FOURTH, Fingerboard
from lefthand.music.tunes import TUNES, Tune
from lefthand.vocabulary import Instrument

DEFAULT_TEMPO = 60
PATTERN_BARS = 4
SHIFT_SEMITONES = {
    Instrument.VIOLIN: (2, 3),
    Instrument.VIOLA: (2, 3),
    Instrument.CELLO: (3, 5),
    Instrument.BASS: (3, 5),
}


@dataclass(frozen=True, slots=True)
class DrillRequest:
    """What a drill is made for.

    tempo: notes a minute as the exercise counts them. fingers: those aimed at, () for all.
    string: 0 is the lowest, None for the usual one. without: fingers that stay silent.
    low_fourth: the fourth a half step lower (violin, viola). seed: another seed gives another
    order of notes.
    """

    drill: str
    instrument: Instrument
    tempo: int | None = None
    fingers: tuple[int, ...] = ()
    string: int | None = None
    without: tuple[int, ...] = ()
    low_fourth: bool = False
    seed: int = 1


@dataclass(frozen=True, eq=False)
class _Hand:
    """The hand of a request on its instrument."""

    request: DrillRequest
    board: Fingerboard

    @property
    def string(self) -> int:
        return 2 if self.request.string is None else self.request.string

    @property
    def fingers(self) -> tuple[int, ...]:
        """All fingers of the hand."""
        return self.board.fingers

    @property
    def targets(self) -> tuple[int, ...]:
        """The aimed-at fingers that this hand has, or all."""
        return tuple(f for f in self.request.fingers if f in self.fingers) or self.fingers

    def tone(self, finger: int, string: int | None = None) -> Tone:
        place = self.string if string is None else string
        if finger == 0:
            return Tone(self.board.strings[place], 0, place)
        steps = self.board.hand[finger]
        if finger == 4 and self.request.low_fourth:
            steps = LOW_FOURTH.get(self.request.instrument, steps)
        return Tone(self.board.strings[place].above(*steps), finger, place)

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
        tone = Tone(self.board.strings[self.string].above(*steps), finger, self.string)
        return Event(length, (tone,), frozenset(marks))


Maker = Callable[[_Hand], list[Event]]


def make_drill(request: DrillRequest) -> Drill:
    """The music of a request. Raises InputError for an unknown drill or string."""
    if request.drill not in MAKERS:
        raise InputError("drill", f"unknown drill {request.drill!r}")
    if request.string is not None and not 0 <= request.string < 4:
        raise InputError("string", f"expected 0 (lowest) to 3, got {request.string!r}")
    if request.drill == "extension_pattern" and request.instrument is not Instrument.CELLO:
        raise InputError("drill", "extension_pattern is for the cello")
    maker, title, hint, notes_per_beat = MAKERS[request.drill]
    hand = _Hand(request, FINGERBOARDS[request.instrument])
    tempo = max(20, round((request.tempo or DEFAULT_TEMPO) / notes_per_beat))
    return Drill(request.drill, title, request.instrument, tempo, into_bars(maker(hand)), hint)


def _orders(hand: _Hand, count: int) -> list[tuple[int, ...]]:
    """`count` different orders of the hand's fingers, easiest first, chosen by the seed."""
    fingers = hand.fingers if len(hand.fingers) == 4 else (*hand.fingers, 0)
    straight = tuple(sorted(fingers))
    others = [p for p in permutations(fingers) if p not in (straight, straight[::-1])]
    wanted = set(hand.request.fingers)
    chooser = random.Random(hand.request.seed)
    chooser.shuffle(others)
    others.sort(key=lambda p: not wanted or p[-1] not in wanted)
    return [straight, straight[::-1], *others][:count]


def _frame_pattern(hand: _Hand) -> list[Event]:
    return [hand.note(f) for order in _orders(hand, PATTERN_BARS) for f in order]


def _touch_rest(hand: _Hand) -> list[Event]:
    fingers = hand.fingers
    line = [*fingers, *fingers[::-1]]
    return [event for f in line for event in (hand.note(f), rest())]


def _glide_add(hand: _Hand) -> list[Event]:
    line = []
    for finger in hand.fingers:
        steps = hand.board.hand[finger]
        higher = (steps[0] + 1, steps[1] + 2)
        line += [hand.at(finger, steps, HALF, "slide"), hand.at(finger, higher, HALF, "slide")]
        line += [hand.at(finger, steps, HALF), rest(HALF)]
    return line


def _held_note(hand: _Hand) -> list[Event]:
    return [event for f in hand.targets for event in (hand.note(f, WHOLE), rest(WHOLE))]


def _pair(hand: _Hand, finger: int) -> tuple[int, int]:
    """The finger and its lower neighbour on this hand."""
    index = max(1, hand.fingers.index(finger))
    return hand.fingers[index - 1], hand.fingers[index]


def _alternate_pair(hand: _Hand) -> list[Event]:
    pairs = dict.fromkeys(_pair(hand, f) for f in hand.targets)
    line: list[Event] = []
    for low, high in pairs:
        line += [hand.note(low), hand.note(high)] * 4
    return line


def _four_by_four(hand: _Hand) -> list[Event]:
    line: list[Event] = []
    for string in (0, 1, 2, 3, 2, 1):
        order = hand.fingers if string < 3 else hand.fingers[::-1]
        padded = order if len(order) == 4 else (*order, 0)
        line += [hand.note(f, string=string) for f in padded]
    return line


def _open_one_three_four(hand: _Hand) -> list[Event]:
    third = 3 if 3 in hand.fingers else 2
    line: list[Event] = []
    for order in ((0, 1, third, 4), (4, third, 1, 0), (0, 4, third, 4), (1, 4, third, 4)):
        line += [hand.note(f) for f in order]
    return line


def _double_ring(hand: _Hand) -> list[Event]:
    string = min(hand.string, 2)
    line = []
    for finger in hand.targets:
        tones = (hand.tone(finger, string), hand.tone(0, string + 1))
        line += [Event(HALF, (tones[0],)), Event(HALF, tones), Event(WHOLE, tones)]
    return line


def _slow_scale(hand: _Hand) -> list[Event]:
    up = _octave(hand)
    return [Event(HALF, (tone,)) for tone in [*up, *up[-2::-1]]]


def _octave(hand: _Hand) -> list[Tone]:
    """A major octave in first position: the lowest one whose notes all lie under the hand."""
    places = {
        tone.pitch.midi: tone
        for string in range(4)
        for tone in (hand.tone(f, string) for f in (*hand.fingers[::-1], 0))
    }
    for root in sorted(places):
        degrees = [root + step for step in (0, 2, 4, 5, 7, 9, 11, 12)]
        if all(d in places for d in degrees):
            return [places[d] for d in degrees]
    raise InputError("drill", "no octave lies under this hand")


def _extension_pattern(hand: _Hand) -> list[Event]:
    line: list[Event] = []
    for order in ((4, 2, 1, "x"), ("x", 1, 2, 4), (2, "x", 4, 1), (4, "x", 2, 1)):
        line += [hand.at(1, (1, 1)) if f == "x" else hand.note(int(f)) for f in order]
    return line


def _shift_pair(hand: _Hand) -> list[Event]:
    steps, semitones = SHIFT_SEMITONES[hand.request.instrument]
    line: list[Event] = []
    for finger in hand.fingers[:2]:
        home = hand.board.hand[finger]
        away = (home[0] + steps, home[1] + semitones)
        line += [hand.at(finger, home, HALF, "slide"), hand.at(finger, away, HALF, "slide")]
        line += [hand.at(finger, home, HALF), rest(HALF)]
    return line


def _tune_with_stops(hand: _Hand) -> list[Event]:
    tune = TUNES[hand.request.seed % len(TUNES)]
    marked = set(hand.targets[-1:]) if hand.request.fingers else {hand.fingers[-1]}
    placed = _placed(tune, hand, marked)
    following = [tone.finger in marked for tone, _ in placed[1:]] + [False]
    return [
        Event(length, (tone,), frozenset({"stop"} if stop else ()))
        for (tone, length), stop in zip(placed, following, strict=True)
    ]


def _easy_tune(hand: _Hand) -> list[Event]:
    tune = TUNES[hand.request.seed % len(TUNES)]
    return [Event(length, (tone,)) for tone, length in _placed(tune, hand, set())]


def _placed(tune: Tune, hand: _Hand, wanted: set[int]) -> list[tuple[Tone, Fraction]]:
    """The tune on the two middle strings, with a wanted finger wherever the note allows it."""
    root = hand.tone(0, 1).pitch.midi
    found = []
    for semitones, length in tune.notes:
        choices = [
            tone
            for string in range(4)
            for tone in (hand.tone(f, string) for f in (0, *hand.fingers))
            if tone.pitch.midi == root + semitones
        ]
        if not choices:
            raise InputError("drill", f"{tune.title} does not lie under this hand")
        found.append((min(choices, key=lambda t: t.finger not in wanted), length))
    return found


def _pluck_pattern(hand: _Hand) -> list[Event]:
    finger = hand.targets[-1]
    line = []
    for string in (0, 1):
        tone = Tone(hand.board.strings[string], finger, string)
        line += [Event(QUARTER, (tone,), frozenset({"pluck"}))] * 8
    return line


def _slide_four(hand: _Hand) -> list[Event]:
    near, far = LOW_FOURTH.get(hand.request.instrument, (3, 4)), hand.board.hand[4]
    turn = [
        hand.at(4, near, QUARTER, "slide"),
        hand.at(4, far, QUARTER, "slide"),
        hand.at(4, near),
        rest(),
    ]
    return turn * 3


def _trill_burst(hand: _Hand) -> list[Event]:
    low, high = _pair(hand, hand.targets[-1])
    burst = [hand.note(f, SIXTEENTH) for f in (low, high, low, high)]
    longer = [hand.note(f, EIGHTH) for f in (low, high)]
    return [*burst, rest(), *burst, rest(), *longer, rest(), *burst, rest()]


def _set_then_bow(hand: _Hand) -> list[Event]:
    line = []
    for finger in (*hand.targets, *hand.targets[::-1]):
        line += [rest(), hand.note(finger, QUARTER, "short")]
    return line if len(line) >= 8 else line * 2


MAKERS: Mapping[str, tuple[Maker, str, str, float]] = {
    "frame_pattern": (_frame_pattern, "Frame pattern", "soft thumb", 1),
    "touch_rest": (_touch_rest, "Touch and rest", "soft in every rest", 1),
    "glide_add": (_glide_add, "Gliding fingers", "glide, do not press", 1),
    "held_note": (_held_note, "One long note", "then let everything hang", 1),
    "alternate_pair": (_alternate_pair, "Two fingers in turn", "drop, let go", 1),
    "four_by_four": (_four_by_four, "Four by four", "the arm goes first", 1),
    "open_one_three_four": (_open_one_three_four, "To the fourth", "the hand leans over", 1),
    "double_ring": (_double_ring, "Ringing neighbour", "both strings ring", 1),
    "slow_scale": (_slow_scale, "Slow scale", "the arm hangs", 1),
    "extension_pattern": (_extension_pattern, "Open and close", "carry, then open", 1),
    "shift_pair": (_shift_pair, "There and back", "thumb and hand together", 1),
    "tune_with_stops": (_tune_with_stops, "Tune with stops", "at each mark stop and shape", 1),
    "easy_tune": (_easy_tune, "An easy tune", "soft at the end of each line", 1),
    "pluck_pattern": (_pluck_pattern, "Left-hand plucks", "+ the left hand plucks", 1),
    "slide_four": (_slide_four, "Sliding fourth", "still on the string", 1),
    "trill_burst": (_trill_burst, "Little bursts", "soft in every rest", 4),
    "set_then_bow": (_set_then_bow, "Finger before bow", "set in the rest", 1),
}
