"""The notation in which drills are written down: bars of notes by finger.

A note is a finger (0 open, T the aimed-at one, L the one below it, a and b the low and the high one
of a pair, r a rest); signs where it lies; a second note joined with &; fingers in braces that stay
down; its length; what is done with it. `knowledge/drills.yaml` lists the signs.
"""

import re
from collections.abc import Mapping
from dataclasses import dataclass

from lefthand.music.request import DrillHand
from lefthand.music.score import EIGHTH, HALF, QUARTER, SIXTEENTH, WHOLE, Event, Tone
from lefthand.values.errors import InputError

LENGTHS = {
    "": QUARTER,
    "'": EIGHTH,
    "''": SIXTEENTH,
    "-": HALF,
    "-.": HALF + QUARTER,
    "--": WHOLE,
}
MARKS = {">": "slide", "!": "short", "*": "tap"}
REST = "r"
_PLACE = r"[0-4TLab][\^_bxwup]*"
_NOTE = re.compile(
    rf"(?P<first>{_PLACE}|r)(?:&(?P<second>{_PLACE}))?(?:\{{(?P<kept>[0-4TLab]+)\}})?"
    r"(?P<length>--|-\.|-|''|')?(?P<marks>[>!*]*)(?:\+(?P<plucks>[1-4T]))?"
)


@dataclass(frozen=True, slots=True)
class Names:
    """Which fingers the letters of a line stand for."""

    fingers: Mapping[str, int]

    def finger(self, sign: str) -> int:
        return self.fingers[sign] if sign in self.fingers else int(sign)


def read_bar(text: str, hand: DrillHand, names: Names, string: int) -> list[Event]:
    """The events of one bar on `string` (0 the lowest). Raises InputError naming the note."""
    return [_event(word, hand, names, string) for word in text.split()]


def _event(word: str, hand: DrillHand, names: Names, string: int) -> Event:
    found = _NOTE.fullmatch(word)
    if found is None:
        raise InputError("lines", f"expected a note, got {word!r}")
    length = LENGTHS[found["length"] or ""]
    if found["first"] == REST:
        return Event(length)
    signs = [sign for sign in (found["first"], found["second"]) if sign]
    plucks = found["plucks"]
    tones = [_tone(sign, hand, names, string) for sign in signs]
    if len(tones) == 2 and tones[0].pitch.midi == tones[1].pitch.midi:
        # In unison nothing tells whether the open string rings: the finger stands a half step low.
        tones[0] = _tone(f"{signs[0]}b", hand, names, string)
    return Event(
        length,
        tuple(tones),
        frozenset(MARKS[mark] for mark in found["marks"]),
        kept=tuple(sorted({names.finger(f) for f in found["kept"] or ""})),
        plucks=names.finger(plucks) if plucks else 0,
    )


def _tone(sign: str, hand: DrillHand, names: Names, string: int) -> Tone:
    finger, where = names.finger(sign[0]), sign[1:]
    place = string + where.count("^") - where.count("_")
    if not 0 <= place <= 3:
        raise InputError("string", f"there is no string beside string {4 - string} on this side")
    if finger == 0:
        return hand.tone(0, place)
    steps = hand.steps_of(finger, place, wide="w" in where)
    letters, semitones = steps
    if "b" in where:
        semitones -= 1
    if "x" in where:
        semitones -= 1
    if "u" in where:
        letters, semitones = letters + 1, semitones + 2
    if "p" in where:
        letters, semitones = hand.two_positions_up(finger)
    return hand.at(finger, (letters, semitones), place)
