"""Scales up and down under one hand."""

from collections.abc import Iterator, Sequence
from dataclasses import replace
from fractions import Fraction

from lefthand.catalogue.drills import Recipe, Scale
from lefthand.music.keys import FIFTHS, key_with, spelled_in
from lefthand.music.request import DrillHand
from lefthand.music.score import (
    BAR,
    HALF,
    QUARTER,
    Drill,
    Event,
    Key,
    Tone,
    into_bars,
    rest,
    rests_of,
)
from lefthand.values.errors import InputError

MAJOR = (0, 2, 4, 5, 7, 9, 11)
OCTAVE = 12
USUAL_TEMPO = 60


def scale_drill(recipe: Recipe, wanted: Scale, hand: DrillHand) -> Drill:
    """A major scale from the lowest note from which it lies under this hand, in the easiest key;
    it ends on its tonic, and fills the bars that are asked for if it can.

    Raises InputError where no such scale lies under the hand.
    """
    key, tones = _scale(hand, wanted.octaves)
    line = [*tones, *tones[-2::-1]]
    length = HALF if wanted.halves else QUARTER
    bars = into_bars(_line(line, length, tap=wanted.tap))
    return Drill(
        recipe.id,
        recipe.title,
        hand.request.instrument,
        hand.request.tempo or USUAL_TEMPO,
        bars,
        key,
        recipe.hint,
    )


def _line(tones: Sequence[Tone], length: Fraction, *, tap: bool) -> Iterator[Event]:
    """Equal notes, the last one kept to the end of its bar."""
    in_bar = int(BAR / length)
    for index, tone in enumerate(tones):
        marks = frozenset({"tap"}) if tap and index % in_bar == 0 else frozenset[str]()
        yield Event(length, (tone,), marks)
    left = -len(tones) % in_bar
    yield from (rest(each) for each in rests_of(left * length))


def _scale(hand: DrillHand, octaves: int) -> tuple[Key, list[Tone]]:
    """The easiest major key whose scale lies under this hand without a stretch, and its notes, each
    on the lowest finger that has it: open strings where there are some."""
    places: dict[int, list[Tone]] = {}
    for string in range(4):
        for finger in (0, *hand.fingers):
            tone = hand.tone(finger, string)
            places.setdefault(tone.pitch.midi, []).append(tone)
    steps = [OCTAVE * octave + degree for octave in range(octaves) for degree in MAJOR]
    steps.append(OCTAVE * octaves)
    found = []
    for root, tonics in sorted(places.items()):
        if not all(root + step in places for step in steps):
            continue
        tones = [min(places[root + step], key=lambda t: t.finger) for step in steps]
        for key in (key_with(fifths, is_minor=False) for fifths in FIFTHS):
            if any(str(t.pitch)[:-1] == key.tonic for t in tonics):
                spelled = [_spelled(tone, key) for tone in tones]
                found.append((abs(key.fifths), root, key, spelled))
    if not found:
        raise InputError("drill", "no such scale lies under this hand; take the first position")
    _, _, key, tones = min(found, key=lambda each: each[:2])
    return key, tones


def _spelled(tone: Tone, key: Key) -> Tone:
    """The same sound as the key writes it."""
    return replace(tone, pitch=spelled_in(tone.pitch, key))
