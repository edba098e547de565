"""Drills written as MusicXML 4.0 (W3C Music Notation Community Group, 2021), partwise."""

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from fractions import Fraction
from xml.etree import ElementTree as ET

from lefthand.music.keys import signature
from lefthand.music.score import Drill, Event, Key, Tone
from lefthand.music.stop_signs import letters, look_words
from lefthand.music.strings import FINGERBOARDS, Fingerboard
from lefthand.words import beside

DIVISIONS = 4
BARS_A_LINE = 4
FEW_A_BAR = 2  # notes
NOTES_A_BAR = 6
# Length in quarters: type and dots.
TYPES = {
    Fraction(4): ("whole", 0),
    Fraction(3): ("half", 1),
    Fraction(2): ("half", 0),
    Fraction(3, 2): ("quarter", 1),
    Fraction(1): ("quarter", 0),
    Fraction(3, 4): ("eighth", 1),
    Fraction(1, 2): ("eighth", 0),
    Fraction(1, 4): ("16th", 0),
}
ACCIDENTALS = {-1: "flat", 0: "natural", 1: "sharp"}
DOCTYPE = (
    '<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" '
    '"http://www.musicxml.org/dtds/partwise.dtd">'
)
TAP, TAP_SAID = "*", "tap"  # where the hint explains the sign, and where no hint stands
BLANK = "_"
GAP = "\u00a0"  # keeps two names of strings apart: the engraver measures them in a narrower font
STRING_NUMERALS = ("IV", "III", "II", "I")


@dataclass(frozen=True, slots=True)
class Shown:
    """What stands beside the notes. `opening`: tempo and hint; `strings`: names of strings where
    they change, "below" or "above" the staff, "" for none; `legend`: what the letters at a stop
    mean, where nothing else says it. Of a part of a drill: the number of its `first_bar`, whether
    the end of the drill `closes` it."""

    opening: bool = True
    strings: str = "above"
    legend: bool = True
    first_bar: int = 1
    closes: bool = True


EVERYTHING = Shown()
DRAWN = Shown(legend=False)


def to_musicxml(
    drill: Drill,
    *,
    bars_a_line: int = BARS_A_LINE,
    shown: Shown = EVERYTHING,
    exactly: bool = False,
) -> str:
    """The drill as a MusicXML document. `bars_a_line`: most bars before a new line, fewer where
    they hold many notes but with `exactly`."""
    board = FINGERBOARDS[drill.instrument]
    root = ET.Element("score-partwise", version="4.0")
    _add(_add(root, "work"), "work-title", drill.title)
    if drill.credit:
        _add(_add(root, "identification"), "creator", drill.credit, type="composer")
    part_list = _add(root, "part-list")
    _add(_add(part_list, "score-part", id="P1"), "part-name", "")
    part = _add(root, "part", id="P1")
    keys = {0: drill.key, **dict(drill.keys)}
    most = bars_a_line if exactly else bars_that_fit(drill, bars_a_line)
    new_lines = set(line_starts(len(drill.bars), most))
    writer = _Writer(board, drill, shown)
    for number, bar in enumerate(drill.bars, start=1):
        measure = _add(part, "measure", number=str(number + shown.first_bar - 1))
        if number - 1 in new_lines:
            _add(measure, "print", new_system="yes")
        if number == 1:
            _attributes(measure, board, drill, is_part=shown.first_bar > 1)
            if shown.opening:
                _tempo(measure, drill)
        elif number - 1 in keys:
            _key(_add(measure, "attributes"), keys[number - 1])
            writer.change_key(keys[number - 1].fifths)
        writer.bar(measure, bar)
        if number == len(drill.bars) and shown.closes:
            barline = _add(measure, "barline", location="right")
            _add(barline, "bar-style", "light-heavy")
    ET.indent(root)
    body = ET.tostring(root, encoding="unicode")
    return f'<?xml version="1.0" encoding="UTF-8"?>\n{DOCTYPE}\n{body}\n'


def _add(parent: ET.Element, tag: str, text: str | None = None, **attributes: str) -> ET.Element:
    element = ET.SubElement(parent, tag, {k.replace("_", "-"): v for k, v in attributes.items()})
    element.text = text
    return element


def bars_that_fit(drill: Drill, bars_a_line: int) -> int:
    """Bars on a line, fewer where they hold many notes, twice as many of whole and half ones."""
    fullest = max(len(bar) for bar in drill.bars)
    most = 2 * bars_a_line if fullest <= FEW_A_BAR else bars_a_line
    return max(1, min(most, bars_a_line * NOTES_A_BAR // fullest))


def line_starts(bars: int, most: int) -> list[int]:
    """Bars (counted from 0) that begin a new line: lines of about the same number of bars, so that
    none stands alone on the last one."""
    lines = math.ceil(bars / most)
    return [round(bars * line / lines) for line in range(1, lines)]


def _key(attributes: ET.Element, key: Key) -> None:
    element = _add(attributes, "key")
    _add(element, "fifths", str(key.fifths))
    _add(element, "mode", "minor" if key.is_minor else "major")


def _attributes(measure: ET.Element, board: Fingerboard, drill: Drill, *, is_part: bool) -> None:
    attributes = _add(measure, "attributes")
    _add(attributes, "divisions", str(DIVISIONS))
    _key(attributes, drill.key)
    time = _add(attributes, "time", **({"print_object": "no"} if is_part else {}))
    _add(time, "beats", str(drill.beats))
    _add(time, "beat-type", "4")
    clef = _add(attributes, "clef")
    _add(clef, "sign", board.clef[0])
    _add(clef, "line", str(board.clef[1]))
    if board.octave_written:
        transpose = _add(attributes, "transpose")
        _add(transpose, "diatonic", "0")  # may be left out, but some readers then stumble
        _add(transpose, "chromatic", "0")
        _add(transpose, "octave-change", str(-board.octave_written))


def _tempo(measure: ET.Element, drill: Drill) -> None:
    tempo = _add(measure, "direction", placement="above")
    metronome = _add(_add(tempo, "direction-type"), "metronome")
    _add(metronome, "beat-unit", "quarter")
    _add(metronome, "per-minute", str(drill.tempo))
    _add(tempo, "sound", tempo=str(drill.tempo))


def _hint(drill: Drill, shown: Shown) -> str:
    """What stands above the first note, with what the letters at stops mean."""
    if not shown.opening:
        return ""
    meant = [f"{look[0]} {look_words(look)}" for look in drill.looks if shown.legend]
    return ". ".join(filter(None, (drill.hint, beside(meant))))


class _Writer:
    """Writes bars and remembers what the reader needs to be told only once: accidentals in a bar,
    the string in use, an open slide."""

    def __init__(self, board: Fingerboard, drill: Drill, shown: Shown) -> None:
        self._board = board
        self._names = shown.strings
        self._tap = TAP if shown.opening else TAP_SAID
        self._looks = letters(drill.looks)
        self._hint = _hint(drill, shown)
        self._signature = signature(drill.key.fifths)
        self._string: int | None = None
        self._named: set[int] = set()
        self._kept: tuple[int, ...] = ()
        self._sliding = False
        self._slurring = False

    def change_key(self, fifths: int) -> None:
        self._signature = signature(fifths)

    def bar(self, measure: ET.Element, events: Iterable[Event]) -> None:
        heard: dict[tuple[int, int], int] = {}
        bar = list(events)
        for event, following, beam in zip(bar, [*bar[1:], None], beams(bar), strict=True):
            self._say(measure, event, following)
            if not event.is_rest:
                self._say_hint(measure)
            for index, tone in enumerate(event.tones):
                self._note(measure, event, tone, index, heard, beam)
            if event.is_rest:
                note = _add(measure, "note")
                _add(note, "rest")
                self._length(note, event)
                self._sliding = False

    def _say(self, measure: ET.Element, event: Event, following: Event | None) -> None:
        """The words at a note; a line to write on at one that is left to the player."""
        if "blank" in event.marks:
            line = _add(measure, "direction", placement="above")
            _add(_add(line, "direction-type"), "words", BLANK)
            return
        self._name_string(measure, event, following)
        self._name_kept(measure, event)
        if "tap" in event.marks:
            tap = _add(measure, "direction", placement="above")
            _add(_add(tap, "direction-type"), "words", self._tap)
        if self._looks and "stop" in event.marks:
            look = _add(measure, "direction", placement="below")
            _add(_add(look, "direction-type"), "words", self._looks, halign="center")

    def _say_hint(self, measure: ET.Element) -> None:
        """Once, after the first note's own words: what comes later stands farther up."""
        if self._hint:
            words = _add(measure, "direction", placement="above")
            _add(_add(words, "direction-type"), "words", self._hint)
            self._hint = ""

    def _name_string(self, measure: ET.Element, event: Event, following: Event | None) -> None:
        """Its numeral; the first time with its letter, where that has room."""
        if event.is_rest or event.tones[0].string == self._string:
            return
        self._string = event.tones[0].string
        if not self._names:
            return
        direction = _add(measure, "direction", placement=self._names)
        name = STRING_NUMERALS[self._string]
        is_wide = event.length >= 1 or not following or self._is_on(following, self._string)
        if self._string not in self._named and is_wide:
            name += f" ({self._board.strings[self._string].letter})"
            self._named.add(self._string)
        _add(_add(direction, "direction-type"), "words", name + GAP, font_style="normal")

    @staticmethod
    def _is_on(event: Event, string: int) -> bool:
        return event.is_rest or event.tones[0].string == string

    def _name_kept(self, measure: ET.Element, event: Event) -> None:
        """Say which fingers stay down, once for as long as they do, and then which more."""
        if event.is_rest or event.kept == self._kept:
            return
        before, self._kept = set(self._kept), event.kept
        if event.kept:
            new = [finger for finger in event.kept if finger not in before]
            is_more = bool(before) and before < set(event.kept)
            named = " ".join(map(str, new if is_more else event.kept))
            words = f"+{named}" if is_more else f"keep {named}"
            direction = _add(measure, "direction", placement="below")
            _add(_add(direction, "direction-type"), "words", words, font_style="italic")

    def _note(
        self,
        measure: ET.Element,
        event: Event,
        tone: Tone,
        index: int,
        heard: dict[tuple[int, int], int],
        beam: Sequence[str],
    ) -> None:
        is_blank = "blank" in event.marks
        note = _add(measure, "note", **({"print_object": "no"} if is_blank else {}))
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
        if is_blank:
            _slurs(_add(note, "notations"), self._slur_types(event) if index == 0 else ())
            return
        if heard.get(place, self._signature[written.step]) != written.alter:
            note.insert(len(note), _accidental(written.alter))
        heard[place] = written.alter
        for level, state in enumerate(beam if index == 0 else (), start=1):
            _add(note, "beam", state, number=str(level))
        if index == 0:
            _notations(note, event, tone, self._slide_types(event), self._slur_types(event))
        else:
            _notations(note, event, tone, (), ())

    def _length(self, note: ET.Element, event: Event) -> None:
        _add(note, "duration", str(int(event.length * DIVISIONS)))
        name, dots = TYPES[event.length]
        _add(note, "type", name)
        for _ in range(dots):
            _add(note, "dot")

    def _slide_types(self, event: Event) -> tuple[str, ...]:
        types = (("stop",) if self._sliding else ()) + (
            ("start",) if "slide" in event.marks else ()
        )
        self._sliding = "slide" in event.marks
        return types

    def _slur_types(self, event: Event) -> tuple[str, ...]:
        begins, goes_on = "slur" in event.marks and not self._slurring, "slur" in event.marks
        ends = self._slurring and not goes_on
        self._slurring = goes_on
        return (("start",) if begins else ()) + (("stop",) if ends else ())


def _accidental(alter: int) -> ET.Element:
    element = ET.Element("accidental")
    element.text = ACCIDENTALS[alter]
    return element


def beams(bar: Sequence[Event]) -> list[tuple[str, ...]]:
    """For each event the state of its beams, those of eighths first: "begin", "continue", "end";
    empty where it has none. Beams join short notes within one quarter."""
    groups: dict[int, list[int]] = {}
    onset = Fraction(0)
    for index, event in enumerate(bar):
        is_seen = not event.is_rest and "blank" not in event.marks
        if is_seen and event.length < 1:
            groups.setdefault(int(onset), []).append(index)
        onset += event.length
    states: list[tuple[str, ...]] = [()] * len(bar)
    for members in groups.values():
        if len(members) < 2:
            continue
        for place, index in enumerate(members):
            state = "begin" if place == 0 else "end" if index == members[-1] else "continue"
            levels = 2 if all(bar[i].length == Fraction(1, 4) for i in members) else 1
            states[index] = (state,) * levels
    return states


def _slurs(notations: ET.Element, types: Sequence[str]) -> None:
    for kind in types:
        _add(notations, "slur", type=kind, number="1")


def _notations(
    note: ET.Element, event: Event, tone: Tone, slides: Sequence[str], slurs: Sequence[str]
) -> None:
    notations = _add(note, "notations")
    _slurs(notations, slurs)
    for kind in slides:
        _add(notations, "slide", type=kind, line_type="solid", number="1")
    technical = _add(notations, "technical")
    _add(technical, "fingering", str(event.plucks or tone.finger))
    _add(technical, "string", str(4 - tone.string))
    if event.plucks:
        _add(technical, "stopped")
    articulations = {"short": "staccato", "stop": "breath-mark"}
    named = [tag for mark, tag in articulations.items() if mark in event.marks]
    if named and note.find("chord") is None:
        group = _add(notations, "articulations")
        for tag in named:
            _add(group, tag)
