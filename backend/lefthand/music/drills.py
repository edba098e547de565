"""Drill generators: one for every drill that an exercise names.

Every drill is playable by construction: each note is asked of one string and one finger of the hand
in its position and frame. The same request gives the same drill.
"""

import random
from collections.abc import Callable, Mapping, Sequence
from fractions import Fraction

from lefthand.music.hands import POSITIONS, hand_of
from lefthand.music.patterns import finger_orders
from lefthand.music.request import EASY, HARD, MIDDLE, DrillHand, DrillRequest, check_request
from lefthand.music.score import (
    BAR,
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
from lefthand.music.tune_placing import place_tune
from lefthand.music.tunes import TUNES
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument

DEFAULT_TEMPO = 60
PATTERN_BARS = 4
MOST_HELD = 8
DEGREES = (0, 2, 4, 5, 7, 9, 11, 12)

Maker = Callable[[DrillHand], list[Event]]


def make_drill(request: DrillRequest) -> Drill:
    """The music of a request. Raises InputError naming the field that cannot be used."""
    if request.drill not in MAKERS:
        raise InputError("drill", f"unknown drill {request.drill!r}")
    check_request(request)
    if request.drill == "extension_pattern" and request.instrument is not Instrument.CELLO:
        raise InputError("drill", "extension_pattern is for the cello")
    maker, title, hint, notes_per_beat = MAKERS[request.drill]
    tempo = max(20, round((request.tempo or DEFAULT_TEMPO) / notes_per_beat))
    bars = into_bars(maker(DrillHand(request)))
    if request.rests:
        bars = tuple(bar for played in bars for bar in (played, (rest(WHOLE),)))
    return Drill(request.drill, title, request.instrument, tempo, bars, hint)


def _frame_pattern(hand: DrillHand) -> list[Event]:
    orders = finger_orders(hand, hand.bars(PATTERN_BARS))
    return [hand.note(finger) for order in orders for finger in order]


def _touch_rest(hand: DrillHand) -> list[Event]:
    fingers = hand.fingers
    line = [*fingers, *fingers[::-1]]
    if hand.request.difficulty == HARD:
        line += [finger for order in finger_orders(hand, 2) for finger in order]
    return [event for finger in line for event in (hand.note(finger), rest())]


def _glide_add(hand: DrillHand) -> list[Event]:
    line = []
    for finger in hand.fingers:
        letters, semitones = hand.steps[finger]
        higher = (letters + 1, semitones + 2)
        home = (letters, semitones)
        line += [hand.at(finger, home, HALF, "slide"), hand.at(finger, higher, HALF, "slide")]
        line += [hand.at(finger, home, HALF), rest(HALF)]
    return line


def _held_note(hand: DrillHand) -> list[Event]:
    strings = hand.strings[:1] if hand.request.difficulty == EASY else hand.strings
    places = [(finger, string) for string in strings for finger in hand.targets]
    return [
        event
        for finger, string in places[:MOST_HELD]
        for event in (hand.note(finger, WHOLE, string=string), rest(WHOLE))
    ]


def _pairs(hand: DrillHand) -> list[tuple[int, int]]:
    """The asked-for pairs, or each target finger with its lower neighbour."""
    own = [pair for pair in hand.request.pairs if set(pair) <= set(hand.fingers)]
    return list(dict.fromkeys(own or [_with_neighbour(hand, f) for f in hand.targets]))


def _with_neighbour(hand: DrillHand, finger: int) -> tuple[int, int]:
    index = max(1, hand.fingers.index(finger))
    return hand.fingers[index - 1], hand.fingers[index]


def _alternate_pair(hand: DrillHand) -> list[Event]:
    """Two fingers in turn, low first, then high first; quicker once it is no longer easy."""
    even = (QUARTER,) * 4
    skipping = (EIGHTH, EIGHTH, QUARTER) * 2
    running = (QUARTER, EIGHTH, EIGHTH) * 2
    rhythms: Mapping[int, list[tuple[Fraction, ...]]] = {
        EASY: [even],
        MIDDLE: [even, skipping],
        HARD: [even, skipping, running],
    }
    line: list[Event] = []
    for low, high in _pairs(hand):
        for rhythm in rhythms[hand.request.difficulty]:
            for first, second in ((low, high), (high, low)):
                line += [
                    hand.note(second if index % 2 else first, length)
                    for index, length in enumerate(rhythm)
                ]
    return line


def _four_by_four(hand: DrillHand) -> list[Event]:
    fingers = hand.fingers if len(hand.fingers) == 4 else (*hand.fingers, 0)
    easy = hand.request.difficulty == EASY
    orders = [fingers, fingers[::-1]] * 3 if easy else finger_orders(hand, 6)
    return [
        hand.note(finger, string=string)
        for string, order in zip((0, 1, 2, 3, 2, 1), orders, strict=True)
        for finger in order
    ]


def _open_one_three_four(hand: DrillHand) -> list[Event]:
    third = 3 if 3 in hand.fingers else 2
    ways = [
        (0, 1, third, 4),
        (4, third, 1, 0),
        (0, 4, third, 4),
        (1, 4, third, 4),
        (0, third, 4, third),
        (1, third, 4, 0),
        (4, 0, 4, 1),
        (third, 4, 0, 4),
    ]
    chooser = random.Random(hand.request.seed)
    count = hand.bars(PATTERN_BARS)
    later = chooser.sample(ways[1:], len(ways) - 1)
    order = [ways[0], *(later * (1 + count // len(later)))[: count - 1]]
    return [hand.note(finger) for way in order for finger in way]


def _double_ring(hand: DrillHand) -> list[Event]:
    strings = [string for string in hand.strings if string < 3]
    line = []
    for string in strings[:1] if hand.request.difficulty == EASY else strings[:2]:
        for finger in hand.targets:
            both = (hand.tone(finger, string), hand.tone(0, string + 1))
            line += [Event(HALF, both[:1]), Event(HALF, both), Event(WHOLE, both)]
    return line


def _slow_scale(hand: DrillHand) -> list[Event]:
    up = _scale(hand)
    return [Event(HALF, (tone,)) for tone in [*up, *up[-2::-1]]]


def _scale(hand: DrillHand) -> list[Tone]:
    """A major scale from the lowest note from which it lies under this hand: one octave, two when
    it is to be hard and they are there."""
    places = {
        tone.pitch.midi: tone
        for string in range(4)
        for tone in (hand.tone(f, string) for f in (*hand.fingers[::-1], 0))
    }
    for octaves in (2, 1) if hand.request.difficulty == HARD else (1,):
        above = sorted({12 * octave + degree for octave in range(octaves) for degree in DEGREES})
        for root in sorted(places):
            if all(root + step in places for step in above):
                return [places[root + step] for step in above]
    raise InputError("drill", "no octave lies under this hand; take the first position")


def _extension_pattern(hand: DrillHand) -> list[Event]:
    letters, semitones = hand.steps[1]
    back = (letters, semitones - 1)
    ways: Sequence[tuple[int | str, ...]] = (
        (4, 2, 1, "x"),
        ("x", 1, 2, 4),
        (2, "x", 4, 1),
        (4, "x", 2, 1),
        (1, "x", 1, 4),
        ("x", 4, "x", 2),
        (2, 1, "x", 4),
        ("x", 2, 4, "x"),
    )
    return [
        hand.at(1, back) if finger == "x" else hand.note(int(finger))
        for way in ways[: hand.bars(PATTERN_BARS)]
        for finger in way
    ]


def _shift_pair(hand: DrillHand) -> list[Event]:
    """Up to a higher position and home again, farther the harder it is to be."""
    request = hand.request
    highest = max(POSITIONS[request.instrument])
    goal = min(request.position + request.difficulty, highest)
    if goal == request.position:
        raise InputError("position", f"expected one below {highest}, so that there is a way up")
    away = hand_of(request.instrument, goal, request.frame)
    line: list[Event] = []
    for finger in hand.targets if request.fingers else hand.fingers[:2]:
        home = hand.steps[finger]
        line += [hand.at(finger, home, HALF, "slide"), hand.at(finger, away[finger], HALF, "slide")]
        line += [hand.at(finger, home, HALF), rest(HALF)]
    return line


def _tune_with_stops(hand: DrillHand) -> list[Event]:
    tune = TUNES[hand.request.seed % len(TUNES)]
    marked = {hand.targets[-1] if hand.request.fingers else hand.fingers[-1]}
    placed = place_tune(tune, hand, marked)
    following = [tone.finger in marked for tone, _ in placed[1:]] + [False]
    return [
        Event(length, (tone,), frozenset({"stop"} if stop else ()))
        for (tone, length), stop in zip(placed, following, strict=True)
    ]


def _easy_tune(hand: DrillHand) -> list[Event]:
    tune = TUNES[hand.request.seed % len(TUNES)]
    wanted = set(hand.targets) if hand.request.fingers else set()
    return [Event(length, (tone,)) for tone, length in place_tune(tune, hand, wanted)]


def _pluck_pattern(hand: DrillHand) -> list[Event]:
    """Eight and eight on two strings, then four and four, then two and two."""
    runs = {EASY: (8, 8), MIDDLE: (4, 4, 4, 4), HARD: (2, 2, 2, 2, 4, 4)}
    line = []
    for finger in hand.targets[-2:]:
        for index, run in enumerate(runs[hand.request.difficulty]):
            string = index % 2
            tone = Tone(hand.board.strings[string], finger, string)
            line += [Event(QUARTER, (tone,), frozenset({"pluck"}))] * run
    return line


def _slide_four(hand: DrillHand) -> list[Event]:
    near, far = hand.low_fourth, hand.steps[4]
    if near == far:
        far = (far[0], far[1] + 1)

    def slide(*steps: tuple[int, int], length: Fraction = QUARTER) -> list[Event]:
        *moving, last = steps
        return [
            *(hand.at(4, step, length, "slide") for step in moving),
            hand.at(4, last, length),
        ]

    return [
        *slide(near, far, near),
        rest(),
        *slide(far, near, far),
        rest(),
        *slide(near, far, length=HALF),
        *slide(far, near, length=HALF),
    ]


def _trill_burst(hand: DrillHand) -> list[Event]:
    """Bursts of four, six or eight quick notes, each followed by a rest."""
    low, high = _pairs(hand)[-1]
    quick = (SIXTEENTH,) * 4
    rhythms: Mapping[int, tuple[Fraction, ...]] = {
        EASY: quick,
        MIDDLE: (*quick, EIGHTH, EIGHTH),
        HARD: quick * 2,
    }
    rhythm = rhythms[hand.request.difficulty]
    softening = rest(BAR / 2 - sum(rhythm)) if sum(rhythm) < BAR / 2 else rest(HALF)
    line: list[Event] = []
    for first, second in ((low, high), (high, low)) * 2:
        burst = [hand.note(second if i % 2 else first, beat) for i, beat in enumerate(rhythm)]
        line += [*burst, softening]
    return line


def _set_then_bow(hand: DrillHand) -> list[Event]:
    if hand.request.difficulty == EASY:
        line = [*hand.targets, *hand.targets[::-1]] * (2 if len(hand.targets) < 4 else 1)
    else:
        line = [finger for order in finger_orders(hand, 2) for finger in order]
    return [event for f in line for event in (rest(), hand.note(f, QUARTER, "short"))]


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
