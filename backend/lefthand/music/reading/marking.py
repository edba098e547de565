"""A score given back with marks in it: fingers, strings and places to let go; and the clean part of
it that is drawn.

Notes are told by their number in the part, from 1, as `Tone.number`. What is given back is the
user's own file with nothing taken out; what is drawn holds only what is known to be harmless.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from xml.etree.ElementTree import Element, SubElement, tostring

from lefthand.music.reading.parts import parts_of
from lefthand.music.reading.piece import Part
from lefthand.music.reading.unpacking import score_elements

HEAD = (
    '<?xml version="1.0" encoding="UTF-8"?>\n<!DOCTYPE score-partwise PUBLIC '
    '"-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">\n'
)
LET_GO = "let go"
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
        "backup",
        "forward",
        "barline",
        "bar-style",
        "repeat",
        "direction",
        "direction-type",
        "words",
    ]
)
ATTRIBUTES = frozenset(
    [
        "id",
        "type",
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
LONGEST_TEXT = 24
STANDING = ("divisions", "key", "time", "clef")


@dataclass(frozen=True, slots=True)
class Mark:
    """finger and string (1 is the highest) as they are to be printed, None for nothing; lets_go:
    the hand lets go in or after this note."""

    finger: int | None = None
    string: int | None = None
    lets_go: bool = False


def marked_score(data: bytes, part: Part, marks: Mapping[int, Mark]) -> bytes:
    """The user's file with the marks put in, as plain MusicXML. Raises InputError on `piece`."""
    root = score_elements(data)
    for bar, note, number in _notes(_bars_of(root, part)):
        if number in marks:
            _put(bar, note, marks[number])
    head = HEAD if root.tag == "score-partwise" else ""
    return head.encode() + bytes(tostring(root, encoding="utf-8"))


def drawn_part(data: bytes, part: Part, marks: Mapping[int, Mark], first: int, last: int) -> str:
    """Bars `first` to `last` (places from 0) of one part with the marks, clean and alone."""
    bars = _bars_of(score_elements(data), part)
    for bar, note, number in _notes(bars):
        for technical in note.iter("technical"):
            for old in (*technical.findall("fingering"), *technical.findall("string")):
                technical.remove(old)
        note.set("id", note_id(number))
        if number in marks:
            _put(bar, note, marks[number])
    score = Element("score-partwise", version="4.0")
    names = SubElement(SubElement(score, "part-list"), "score-part", id="P1")
    SubElement(names, "part-name").text = ""
    drawn = SubElement(score, "part", id="P1")
    for place, bar in enumerate(bars[first : last + 1]):
        clean = _clean(bar)
        clean.tag = "measure"
        clean.set("number", str(bar.get("number") or first + place + 1)[:12])
        if place == 0:
            clean.insert(0, _standing(bars[:first]))
        drawn.append(clean)
    return HEAD + tostring(score, encoding="unicode")


def _bars_of(root: Element, part: Part) -> list[Element]:
    return next(bars for each, bars in parts_of(root) if each.id == part.id)


def note_id(number: int) -> str:
    """What a note is called in the drawing."""
    return f"note-{number}"


def _notes(bars: Sequence[Element]) -> Iterator[tuple[Element, Element, int]]:
    number = 0
    for bar in bars:
        for note in bar.findall("note"):
            number += 1
            yield bar, note, number


def _put(bar: Element, note: Element, mark: Mark) -> None:
    technical = _technical(note) if mark.finger is not None or mark.string else None
    if technical is not None and mark.finger is not None:
        for old in technical.findall("fingering"):
            technical.remove(old)
        SubElement(technical, "fingering").text = str(mark.finger)
    if technical is not None and mark.string:
        for old in technical.findall("string"):
            technical.remove(old)
        SubElement(technical, "string").text = str(mark.string)
    if mark.lets_go:
        direction = Element("direction", placement="below")
        SubElement(SubElement(direction, "direction-type"), "words").text = LET_GO
        bar.insert(list(bar).index(note), direction)


def _technical(note: Element) -> Element:
    found = note.find("notations/technical")
    if found is not None:
        return found
    notations = note.find("notations")
    if notations is None:
        notations = Element("notations")
        before = [n for n, child in enumerate(note) if child.tag in AFTER_NOTATIONS]
        note.insert(before[0] if before else len(note), notations)
    return SubElement(notations, "technical")


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
    clean = Element(element.tag, {k: v for k, v in element.items() if k in ATTRIBUTES})
    clean.text = (element.text or "").strip()[:LONGEST_TEXT]
    for child in element:
        if child.tag in DRAWN and not _is_other_words(child):
            clean.append(_clean(child))
    return clean


def _is_other_words(element: Element) -> bool:
    """Directions other than our own: dynamics and words are not what the hand looks for."""
    return element.tag == "direction" and element.findtext("direction-type/words") != LET_GO
