"""One `<note>` of MusicXML: its tone, its length, and what stands at it."""

import re
from dataclasses import dataclass
from fractions import Fraction
from xml.etree.ElementTree import Element

from lefthand.music.reading.parts import text_of
from lefthand.music.reading.piece import Tone
from lefthand.music.reading.unpacking import refused
from lefthand.music.strings import STEP_NAMES, Pitch

NUMBER = re.compile(r"[+-]?\d{1,9}(\.\d{1,9})?")
LONGEST = 10_000_000  # divisions
MOST_ALTERED = 3
HIGHEST_OCTAVE = 9
STRINGS = 4
# What lets the hand go, or says how a note is made.
MARKS = frozenset(
    [
        "breath-mark",
        "caesura",
        "fermata",
        "staccato",
        "tenuto",
        "accent",
        "tremolo",
        "trill-mark",
        "mordent",
        "inverted-mordent",
        "turn",
        "inverted-turn",
        "harmonic",
        "open-string",
        "snap-pizzicato",
    ]
)


@dataclass(frozen=True, slots=True)
class Written:
    """A note as it stands in the file. tone: None for a rest or a note without pitch. length:
    quarters. joins: sounds with the note before. voice: as it is called in the file."""

    tone: Tone | None
    length: Fraction
    joins: bool
    is_grace: bool
    slurs_begin: int
    slurs_end: int
    marks: frozenset[str]
    voice: str


def number_of(text: str | None, where: str, low: float, high: float) -> Fraction:
    """A plain decimal. Raises InputError on `piece`."""
    told = (text or "").strip()
    if not NUMBER.fullmatch(told):
        raise refused(f"{where}: expected a number, got {told[:20]!r}")
    found = Fraction(told)
    if not low <= found <= high:
        raise refused(f"{where}: {told} lies outside {low:g} to {high:g}")
    return found


def whole_of(text: str | None, where: str, low: int, high: int) -> int:
    return int(number_of(text, where, low, high))


def read_note(note: Element, divisions: Fraction, semitones: int, where: str) -> Written:
    """semitones: from the written to the sounding pitch."""
    is_grace = note.find("grace") is not None
    duration = note.findtext("duration")
    length = Fraction(0)
    if not is_grace:
        length = number_of(duration, f"{where}, duration", 0, LONGEST) / divisions
    begin, end, marks = _notations(note)
    return Written(
        tone=_tone(note, semitones, where),
        length=length,
        joins=note.find("chord") is not None,
        is_grace=is_grace,
        slurs_begin=begin,
        slurs_end=end,
        marks=marks,
        voice=text_of(note, "voice"),
    )


def _tone(note: Element, semitones: int, where: str) -> Tone | None:
    pitch = note.find("pitch")
    if pitch is None:
        return None
    step = text_of(pitch, "step").upper()
    if len(step) != 1 or step not in STEP_NAMES:
        raise refused(f"{where}, step: expected a letter A to G, got {step[:8]!r}")
    alter = number_of(
        pitch.findtext("alter") or "0", f"{where}, alter", -MOST_ALTERED, MOST_ALTERED
    )
    octave = whole_of(pitch.findtext("octave"), f"{where}, octave", 0, HIGHEST_OCTAVE)
    ties = {tie.get("type") for tie in note.findall("tie")}
    ties |= {tie.get("type") for tie in note.findall("notations/tied")}
    fingers: list[str] = []
    string = None
    for technical in note.findall("notations/technical"):
        fingers += [(found.text or "").strip()[:4] for found in technical.findall("fingering")]
        told = text_of(technical, "string")
        if told.isdigit() and 1 <= int(told) <= STRINGS:
            string = int(told)
    written = Pitch(octave, STEP_NAMES.index(step), round(alter))
    return Tone(
        pitch=_sounding(written, semitones),
        fingers=tuple(found for found in fingers if found),
        string=string,
        tied_from="stop" in ties,
        tied_to="start" in ties,
    )


def _sounding(written: Pitch, semitones: int) -> Pitch:
    octaves, rest = divmod(semitones, 12)
    moved = Pitch(written.octave + octaves, written.step, written.alter)
    return moved.above(round(rest * 7 / 12), rest) if rest else moved


def _notations(note: Element) -> tuple[int, int, frozenset[str]]:
    begin = end = 0
    marks = set()
    for notations in note.findall("notations"):
        for found in notations.iter():
            if found.tag == "slur":
                begin += found.get("type") == "start"
                end += found.get("type") == "stop"
            elif found.tag in MARKS:
                marks.add(found.tag)
    return begin, end, frozenset(marks)
