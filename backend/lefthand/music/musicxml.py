"""Drills written as MusicXML 4.0 (W3C Music Notation Community Group, 2021), partwise."""

from collections.abc import Iterable
from fractions import Fraction
from xml.etree import ElementTree as ET

from lefthand.music.score import Drill, Event, Tone
from lefthand.music.strings import FINGERBOARDS, Fingerboard, Pitch

DIVISIONS = 4
TYPES = {
    Fraction(4): "whole",
    Fraction(2): "half",
    Fraction(1): "quarter",
    Fraction(1, 2): "eighth",
    Fraction(1, 4): "16th",
}
SHARP_STEPS = (3, 0, 4, 1, 5, 2, 6)
ACCIDENTALS = {-1: "flat", 0: "natural", 1: "sharp"}
DOCTYPE = (
    '<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" '
    '"http://www.musicxml.org/dtds/partwise.dtd">'
)
STRING_NUMERALS = ("IV", "III", "II", "I")


def key_for(pitches: Iterable[Pitch]) -> int:
    """Fifths (-4..5) of the key signature that leaves the fewest accidentals."""
    used = set((p.step, p.alter) for p in pitches)

    def cost(fifths: int) -> tuple[int, int, int]:
        signature = _signature(fifths)
        return sum(alter != signature[step] for step, alter in used), abs(fifths), -fifths

    return min(range(-4, 6), key=cost)


def _signature(fifths: int) -> list[int]:
    alters = [0] * 7
    for index in range(abs(fifths)):
        alters[SHARP_STEPS[index] if fifths > 0 else SHARP_STEPS[6 - index]] = (
            1 if fifths > 0 else -1
        )
    return alters


def to_musicxml(drill: Drill) -> str:
    """The drill as a MusicXML document."""
    board = FINGERBOARDS[drill.instrument]
    root = ET.Element("score-partwise", version="4.0")
    _add(_add(root, "work"), "work-title", drill.title)
    part_list = _add(root, "part-list")
    _add(_add(part_list, "score-part", id="P1"), "part-name", "")
    part = _add(root, "part", id="P1")
    fifths = key_for(drill.pitches())
    writer = _Writer(board, fifths)
    for number, bar in enumerate(drill.bars, start=1):
        measure = _add(part, "measure", number=str(number))
        if number == 1:
            _attributes(measure, board, fifths)
            _opening(measure, drill)
        writer.bar(measure, bar)
        if number == len(drill.bars):
            barline = _add(measure, "barline", location="right")
            _add(barline, "bar-style", "light-heavy")
    ET.indent(root)
    body = ET.tostring(root, encoding="unicode")
    return f'<?xml version="1.0" encoding="UTF-8"?>\n{DOCTYPE}\n{body}\n'


def _add(parent: ET.Element, tag: str, text: str | None = None, **attributes: str) -> ET.Element:
    element = ET.SubElement(parent, tag, {k.replace("_", "-"): v for k, v in attributes.items()})
    element.text = text
    return element


def _attributes(measure: ET.Element, board: Fingerboard, fifths: int) -> None:
    attributes = _add(measure, "attributes")
    _add(attributes, "divisions", str(DIVISIONS))
    _add(_add(attributes, "key"), "fifths", str(fifths))
    time = _add(attributes, "time")
    _add(time, "beats", "4")
    _add(time, "beat-type", "4")
    clef = _add(attributes, "clef")
    _add(clef, "sign", board.clef[0])
    _add(clef, "line", str(board.clef[1]))
    if board.octave_written:
        transpose = _add(attributes, "transpose")
        _add(transpose, "diatonic", "0")  # may be left out, but some readers then stumble
        _add(transpose, "chromatic", "0")
        _add(transpose, "octave-change", str(-board.octave_written))


def _opening(measure: ET.Element, drill: Drill) -> None:
    tempo = _add(measure, "direction", placement="above")
    metronome = _add(_add(tempo, "direction-type"), "metronome")
    _add(metronome, "beat-unit", "quarter")
    _add(metronome, "per-minute", str(drill.tempo))
    _add(tempo, "sound", tempo=str(drill.tempo))
    if drill.hint:
        words = _add(measure, "direction", placement="above")
        _add(_add(words, "direction-type"), "words", drill.hint)


class _Writer:
    """Writes bars and remembers what the reader needs to be told only once: accidentals in a bar,
    the string in use, an open slide."""

    def __init__(self, board: Fingerboard, fifths: int) -> None:
        self._board = board
        self._signature = _signature(fifths)
        self._string: int | None = None
        self._named: set[int] = set()
        self._sliding = False

    def bar(self, measure: ET.Element, events: Iterable[Event]) -> None:
        heard: dict[tuple[int, int], int] = {}
        for event in events:
            self._name_string(measure, event)
            for index, tone in enumerate(event.tones):
                self._note(measure, event, tone, index, heard)
            if event.is_rest:
                note = _add(measure, "note")
                _add(note, "rest")
                self._length(note, event)
                self._sliding = False

    def _name_string(self, measure: ET.Element, event: Event) -> None:
        if event.is_rest or event.tones[0].string == self._string:
            return
        self._string = event.tones[0].string
        direction = _add(measure, "direction", placement="below")
        name = STRING_NUMERALS[self._string]
        if self._string not in self._named:
            name += f" ({self._board.strings[self._string].letter})"
        self._named.add(self._string)
        _add(_add(direction, "direction-type"), "words", name, font_style="normal")

    def _note(
        self,
        measure: ET.Element,
        event: Event,
        tone: Tone,
        index: int,
        heard: dict[tuple[int, int], int],
    ) -> None:
        note = _add(measure, "note")
        if index:
            _add(note, "chord")
        written = tone.pitch
        pitch = _add(note, "pitch")
        _add(pitch, "step", written.letter)
        if written.alter:
            _add(pitch, "alter", str(written.alter))
        _add(pitch, "octave", str(written.octave + self._board.octave_written))
        self._length(note, event)
        place = (written.step, written.octave)
        if heard.get(place, self._signature[written.step]) != written.alter:
            note.insert(len(note), _accidental(written.alter))
        heard[place] = written.alter
        _notations(note, event, tone, index, self._slide_types(event) if index == 0 else ())

    def _length(self, note: ET.Element, event: Event) -> None:
        _add(note, "duration", str(int(event.length * DIVISIONS)))
        _add(note, "type", TYPES[event.length])

    def _slide_types(self, event: Event) -> tuple[str, ...]:
        types = (("stop",) if self._sliding else ()) + (
            ("start",) if "slide" in event.marks else ()
        )
        self._sliding = "slide" in event.marks
        return types


def _accidental(alter: int) -> ET.Element:
    element = ET.Element("accidental")
    element.text = ACCIDENTALS[alter]
    return element


def _notations(
    note: ET.Element, event: Event, tone: Tone, index: int, slides: tuple[str, ...]
) -> None:
    notations = _add(note, "notations")
    for kind in slides:
        _add(notations, "slide", type=kind, line_type="solid", number="1")
    technical = _add(notations, "technical")
    _add(technical, "fingering", str(tone.finger))
    _add(technical, "string", str(4 - tone.string))
    if "pluck" in event.marks:
        _add(technical, "stopped")
    articulations = {"short": "staccato", "stop": "breath-mark"}
    named = [tag for mark, tag in articulations.items() if mark in event.marks]
    if named and index == 0:
        group = _add(notations, "articulations")
        for tag in named:
            _add(group, tag)
