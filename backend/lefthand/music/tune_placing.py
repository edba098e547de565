"""A tune laid under a hand so that the wanted finger plays as much of it as possible."""

from collections.abc import Set
from fractions import Fraction

from lefthand.music.request import DrillHand
from lefthand.music.score import Tone
from lefthand.music.tunes import Tune
from lefthand.values.errors import InputError

Placed = list[tuple[Tone, Fraction]]


def place_tune(tune: Tune, hand: DrillHand, wanted: Set[int]) -> Placed:
    """The tune from the root on which wanted fingers play most, near the usual strings, beginning
    on the request's finger where it has that.

    Raises InputError when it lies under this hand from no root.
    """
    places: dict[int, list[Tone]] = {}
    for string in range(4):
        for finger in (0, *hand.fingers):
            tone = hand.tone(finger, string)
            places.setdefault(tone.pitch.midi, []).append(tone)
    usual = hand.tone(0, 1).pitch.midi
    start = hand.request.start
    best: tuple[tuple[bool, int, int, int], Placed] | None = None
    for root in sorted(places):
        placed = _from_root(tune, root, places, wanted)
        if placed is None:
            continue
        placed[0] = _beginning(placed[0], places, start)
        hits = sum(tone.finger in wanted for tone, _ in placed)
        begins_elsewhere = start is not None and placed[0][0].finger != start
        key = (begins_elsewhere, -hits, abs(root - usual), root)
        if best is None or key < best[0]:
            best = (key, placed)
    if best is None:
        raise InputError("drill", f"{tune.title} does not lie under this hand")
    return best[1]


def _from_root(
    tune: Tune, root: int, places: dict[int, list[Tone]], wanted: Set[int]
) -> Placed | None:
    """None when a note is missing. Signs are few: tones are spelled as the hand spells them."""
    placed: Placed = []
    for semitones, length in tune.notes:
        choices = places.get(root + semitones)
        if not choices:
            return None
        placed.append((min(choices, key=lambda t: (t.finger not in wanted, t.finger)), length))
    return placed


def _beginning(
    first: tuple[Tone, Fraction], places: dict[int, list[Tone]], start: int | None
) -> tuple[Tone, Fraction]:
    """The first note on the finger asked for, where that finger has it."""
    tone, length = first
    choices = places[tone.pitch.midi]
    return next((choice for choice in choices if choice.finger == start), tone), length
