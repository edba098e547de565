"""What a part leaves out that an engraver needs: the shape of a note that is told by its length
alone, a clef, beams. MusicXML lets a file leave them out; drawn without them, eighths have no stems
and a cello stands in the treble clef.
"""

from collections.abc import Iterator, Sequence
from fractions import Fraction
from xml.etree.ElementTree import Element, SubElement

from lefthand.values.vocabulary import Instrument

SHAPES = {
    Fraction(8): "breve",
    Fraction(4): "whole",
    Fraction(2): "half",
    Fraction(1): "quarter",
    Fraction(1, 2): "eighth",
    Fraction(1, 4): "16th",
    Fraction(1, 8): "32nd",
    Fraction(1, 16): "64th",
}
DOTS = {Fraction(1): 0, Fraction(3, 2): 1, Fraction(7, 4): 2}
CLEFS = {
    Instrument.VIOLIN: ("G", "2"),
    Instrument.VIOLA: ("C", "3"),
    Instrument.CELLO: ("F", "4"),
    Instrument.BASS: ("F", "4"),
}
AFTER_SHAPE = ("dot", "accidental", "time-modification", "stem", "notehead", "staff", "beam")
AFTER_BEAM = ("notations", "lyric", "play", "listen")
COMPOUND = (6, 9, 12)


def fill_in(bars: Sequence[Element], instrument: Instrument | None) -> None:
    """In place; what the part tells stays. `bars`: `<measure>` elements, the first with what stands
    there. instrument: whose clef a part without one has."""
    _give_clef(bars, instrument)
    has_beams = any(bar.find("note/beam") is not None for bar in bars)
    divisions, beats, unit = Fraction(1), 4, 4
    for bar in bars:
        for attributes in bar.findall("attributes"):
            divisions = _number(attributes.findtext("divisions"), divisions)
            beats = int(_number(attributes.findtext("time/beats"), Fraction(beats)))
            unit = int(_number(attributes.findtext("time/beat-type"), Fraction(unit)))
        for note in bar.findall("note"):
            _give_shape(note, divisions)
        if not has_beams:
            _give_beams(bar, divisions, _beat(beats, unit))


def _number(text: str | None, usual: Fraction) -> Fraction:
    """A plain positive number, else the usual one: the reader has refused what is worse."""
    try:
        found = Fraction((text or "").strip())
    except ValueError:
        return usual
    return found if found > 0 else usual


def _beat(beats: int, unit: int) -> Fraction:
    """Quarters that one beam may join."""
    one = Fraction(4, unit)
    return 3 * one if unit >= 8 and beats in COMPOUND else max(one, Fraction(1))


def _give_clef(bars: Sequence[Element], instrument: Instrument | None) -> None:
    if instrument is None or not bars or any(b.find("attributes/clef") is not None for b in bars):
        return
    standing = bars[0].find("attributes")
    if standing is None:
        standing = Element("attributes")
        bars[0].insert(0, standing)
    clef = SubElement(standing, "clef")
    sign, line = CLEFS[instrument]
    SubElement(clef, "sign").text = sign
    SubElement(clef, "line").text = line


def _length(note: Element, divisions: Fraction) -> Fraction:
    return _number(note.findtext("duration"), Fraction(0)) / divisions


def _give_shape(note: Element, divisions: Fraction) -> None:
    if note.find("type") is not None or note.find("grace") is not None:
        return
    length = _length(note, divisions)
    for whole, name in SHAPES.items():
        dots = DOTS.get(length / whole)
        if dots is None:
            continue
        shape = Element("type")
        shape.text = name
        at = next(
            (n for n, each in enumerate(note) if each.tag in AFTER_SHAPE + AFTER_BEAM), len(note)
        )
        note.insert(at, shape)
        for _ in range(dots):
            note.insert(at + 1, Element("dot"))
        return


def _give_beams(bar: Element, divisions: Fraction, beat: Fraction) -> None:
    """Of one voice: where a bar goes back in time it is left as it is."""
    if bar.find("backup") is not None:
        return
    group: list[Element] = []
    where = None
    for at, note in _timed(bar, divisions):
        is_short = note.find("rest") is None and 0 < _length(note, divisions) < 1
        here = at // beat if is_short else None
        if here != where or here is None:
            _beam(group, divisions)
            group = []
        if is_short:
            group.append(note)
        where = here
    _beam(group, divisions)


def _timed(bar: Element, divisions: Fraction) -> Iterator[tuple[Fraction, Element]]:
    at = Fraction(0)
    for element in bar:
        is_note = element.tag == "note" and element.find("chord") is None
        if is_note and element.find("grace") is None:
            yield at, element
        if element.tag == "forward" or is_note:
            at += _length(element, divisions)


def _beam(group: Sequence[Element], divisions: Fraction) -> None:
    if len(group) < 2:
        return
    levels = 2 if all(_length(note, divisions) <= Fraction(1, 4) for note in group) else 1
    for place, note in enumerate(group):
        state = "begin" if place == 0 else "end" if note is group[-1] else "continue"
        at = next((n for n, each in enumerate(note) if each.tag in AFTER_BEAM), len(note))
        for level in range(levels, 0, -1):
            beam = Element("beam", {"number": str(level)})
            beam.text = state
            note.insert(at, beam)
