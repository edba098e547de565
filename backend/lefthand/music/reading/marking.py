"""A score given back with marks in it: fingers, strings and places to let go; and the clean part of
it that is drawn.

Notes are told by their number in the part, from 1, as `Tone.number`. What is given back is the
user's own file with nothing taken out; what is drawn holds only what is known to be harmless.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from xml.etree.ElementTree import Element, SubElement, tostring

from lefthand.music.reading.filled_in import fill_in
from lefthand.music.reading.parts import parts_of
from lefthand.music.reading.piece import Part
from lefthand.music.reading.unpacking import score_elements
from lefthand.values.vocabulary import Instrument

HEAD = (
    '<?xml version="1.0" encoding="UTF-8"?>\n<!DOCTYPE score-partwise PUBLIC '
    '"-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">\n'
)
LET_GO = "breath-mark"  # the comma that string players know: lift, and go on
AFTER_NOTATIONS = ("lyric", "play", "listen")  # MusicXML 4.0, the order inside a note
DRAWN = frozenset(
    [
        "measure",
        "attributes",
        "divisions",
        "key",
        "fifths",
        "mode",
        "time",
        "beats",
        "beat-type",
        "clef",
        "sign",
        "line",
        "clef-octave-change",
        "note",
        "rest",
        "chord",
        "grace",
        "pitch",
        "step",
        "alter",
        "octave",
        "duration",
        "voice",
        "type",
        "dot",
        "accidental",
        "time-modification",
        "actual-notes",
        "normal-notes",
        "stem",
        "beam",
        "tie",
        "notations",
        "tied",
        "slur",
        "tuplet",
        "technical",
        "fingering",
        "string",
        "articulations",
        "staccato",
        "tenuto",
        "accent",
        "fermata",
        "breath-mark",
        "backup",
        "forward",
        "barline",
        "bar-style",
        "repeat",
    ]
)
ATTRIBUTES = frozenset(
    [
        "type",
        "number-in-part",
        "number",
        "placement",
        "location",
        "direction",
        "size",
        "measure",
        "implicit",
        "slash",
        "bracket",
    ]
)
NUMBER = "number-in-part"  # our own, while a part is cleaned
LONGEST_TEXT = 24
STANDING = ("divisions", "key", "time", "clef")


@dataclass(frozen=True, slots=True)
class Mark:
    """finger and string (1 is the highest) as they are to be printed, None for nothing; lets_go:
    the hand lets go in or after this note; beyond: mm farther than the hand reaches at ease, which
    is drawn and not written into the user's file."""

    finger: int | None = None
    string: int | None = None
    lets_go: bool = False
    beyond: int | None = None


def marked_score(data: bytes, part: Part, marks: Mapping[int, Mark]) -> bytes:
    """The user's file with the marks put in, as plain MusicXML. Raises InputError on `piece`."""
    root = score_elements(data)
    for note, number in _notes(_bars_of(root, part)):
        if number in marks:
            _put(note, marks[number])
    head = HEAD if root.tag == "score-partwise" else ""
    return head.encode() + bytes(tostring(root, encoding="utf-8"))


def drawn_part(
    data: bytes,
    part: Part,
    marks: Mapping[int, Mark],
    first: int,
    last: int,
    instrument: Instrument | None = None,
) -> str:
    """Bars `first` to `last` (places from 0) of one part with the marks, clean and alone.
    instrument: who plays it, where the part does not tell."""
    bars = _bars_of(score_elements(data), part)
    for note, number in _notes(bars):
        for technical in note.iter("technical"):
            for old in (*technical.findall("fingering"), *technical.findall("string")):
                technical.remove(old)
        note.set(NUMBER, str(number))
        if number in marks:
            _put(note, marks[number])
    score = Element("score-partwise", version="4.0")
    names = SubElement(SubElement(score, "part-list"), "score-part", id="P1")
    SubElement(names, "part-name").text = ""
    drawn = SubElement(score, "part", id="P1")
    for place, bar in enumerate(bars[first : last + 1]):
        clean = _clean(bar)
        for note in clean.findall("note"):
            number = int(note.attrib.pop(NUMBER))
            note.set("id", note_id(number))
            if number in marks and marks[number].beyond:
                _say_beyond(clean, note, f"+{marks[number].beyond} mm")
        clean.tag = "measure"
        clean.set("number", str(bar.get("number") or first + place + 1)[:12])
        if place == 0:
            clean.insert(0, _standing(bars[:first]))
        drawn.append(clean)
    fill_in(drawn.findall("measure"), instrument or part.instrument)
    return HEAD + tostring(score, encoding="unicode")


def _bars_of(root: Element, part: Part) -> list[Element]:
    return next(bars for each, bars in parts_of(root) if each.id == part.id)


def note_id(number: int) -> str:
    """What a note is called in the drawing."""
    return f"note-{number}"


def _notes(bars: Sequence[Element]) -> Iterator[tuple[Element, int]]:
    number = 0
    for bar in bars:
        for note in bar.findall("note"):
            number += 1
            yield note, number


def _put(note: Element, mark: Mark) -> None:
    technical = _inside(note, "technical") if mark.finger is not None or mark.string else None
    if technical is not None and mark.finger is not None:
        for old in technical.findall("fingering"):
            technical.remove(old)
        SubElement(technical, "fingering").text = str(mark.finger)
    if technical is not None and mark.string:
        for old in technical.findall("string"):
            technical.remove(old)
        SubElement(technical, "string").text = str(mark.string)
    if mark.lets_go and note.find("notations/articulations/breath-mark") is None:
        SubElement(_inside(note, "articulations"), LET_GO)


def _say_beyond(bar: Element, note: Element, words: str) -> None:
    """Under the note, or under the first of its chord."""
    at = list(bar).index(note)
    while at and bar[at].find("chord") is not None:
        at -= 1
    direction = Element("direction", placement="below")
    kind = SubElement(direction, "direction-type")
    SubElement(kind, "words", {"font-size": "6", "font-style": "italic"}).text = words
    bar.insert(at, direction)


def _inside(note: Element, group: str) -> Element:
    """This group of the note's notations, made where there is none."""
    found = note.find(f"notations/{group}")
    if found is not None:
        return found
    notations = note.find("notations")
    if notations is None:
        notations = Element("notations")
        before = [n for n, child in enumerate(note) if child.tag in AFTER_NOTATIONS]
        note.insert(before[0] if before else len(note), notations)
    return SubElement(notations, group)


def _standing(before: Sequence[Element]) -> Element:
    """What the bars that are left out have set and the first drawn one stands under."""
    attributes = Element("attributes")
    for tag in STANDING:
        found = [each for bar in before for each in bar.findall(f"attributes/{tag}")]
        if found:
            attributes.append(_clean(found[-1]))
    return attributes


def _clean(element: Element) -> Element:
    """Only what is known, with short texts and plain attributes."""
    known = {k: v[:LONGEST_TEXT] for k, v in element.items() if k in ATTRIBUTES}
    clean = Element(element.tag, known)
    clean.text = (element.text or "").strip()[:LONGEST_TEXT]
    for child in element:
        if child.tag in DRAWN:
            clean.append(_clean(child))
    return clean
