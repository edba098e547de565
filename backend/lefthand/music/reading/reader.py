"""MusicXML 2.0 to 4.0 (W3C Music Notation Community Group), one part, as it stands in the file:
repeats, endings and jumps are told with their bars (`bar_order`), grace notes have no length, two
voices that sound one pitch at once count once."""

import re
from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction
from itertools import groupby
from xml.etree.ElementTree import Element

from lefthand.music.reading.bar_order import bar_order, read_bar_line, read_signs, settle
from lefthand.music.reading.notes import LONGEST, Written, number_of, read_note, whole_of
from lefthand.music.reading.old_treble import is_plain_treble, looks_old
from lefthand.music.reading.parts import chosen_part, parts_of, text_of
from lefthand.music.reading.piece import Bar, Event, Piece, Tone
from lefthand.music.reading.unpacking import refused, score_elements
from lefthand.music.reading.voices import bars_of_two_voices, two_voices_words
from lefthand.values.vocabulary import Instrument
from lefthand.words import told as told_words

MOST_NOTES, MOST_BARS = 8_000, 1_500
SLOWEST, FASTEST = 5.0, 600.0
UNITS = {
    "whole": Fraction(4),
    "half": Fraction(2),
    "quarter": Fraction(1),
    "eighth": Fraction(1, 2),
    "16th": Fraction(1, 4),
}
DOUBLE_BARS = frozenset({"light-light", "light-heavy", "heavy-light", "heavy-heavy"})
BASS_SOUNDS_BELOW = 40  # midi: no part for the bass that is written as it sounds stays above this


@dataclass(slots=True)
class _Walk:
    """Where the reading is, and what it has found."""

    divisions: Fraction = Fraction(1)
    semitones: int = 0
    is_treble: bool = False
    in_treble: set[int] = field(default_factory=set)  # numbers of notes
    beats: int = 4
    unit: int = 4
    fifths: int = 0
    at: Fraction = Fraction(0)
    last: Fraction = Fraction(0)
    notes: int = 0
    found: list[tuple[Fraction, int, Written]] = field(default_factory=list)
    bars: list[Bar] = field(default_factory=list)
    ended: list[int] = field(default_factory=list)  # bars where an ending ends
    tempos: list[tuple[Fraction, float]] = field(default_factory=list)
    remarks: list[str] = field(default_factory=list)

    def remark(self, words: str) -> None:
        if words not in self.remarks:
            self.remarks.append(words)


def read_piece(
    data: bytes,
    part: str | None = None,
    instrument: Instrument | None = None,
    *,
    old_treble: bool = False,
) -> Piece:
    """One part: by id, name or number; else the first for this instrument; else the first.
    old_treble: the cello's treble clef is meant an octave lower. Raises InputError on `piece` or
    `part`."""
    root = score_elements(data)
    parts = parts_of(root)
    chosen = chosen_part([each for each, _ in parts], part, instrument)
    bars = next(bars for each, bars in parts if each is chosen)
    if len(bars) > MOST_BARS:
        raise refused(f"expected at most {MOST_BARS} bars, got {len(bars)}")
    walk = _Walk()
    for bar in bars:
        _read_bar(bar, walk)
    plays = instrument or chosen.instrument
    _lower_the_bass(walk, plays)
    is_old = plays is Instrument.CELLO and looks_old(walk.found, walk.in_treble)
    if old_treble and plays is Instrument.CELLO:
        _lower_the_treble(walk)
    if shared := bars_of_two_voices(walk.found):
        walk.remark(two_voices_words([walk.bars[bar].number for bar in shared]))
    for each, others in parts:
        if each is not chosen and len(others) == len(bars):
            _read_signs_of_all(others, walk)
    settle(walk.bars, walk.ended)
    if bar_order(walk.bars) is None:
        walk.remark(told_words("piece-repeats-too-many"))
    return Piece(
        title=text_of(root, "work/work-title") or text_of(root, "movement-title"),
        parts=[each for each, _ in parts],
        part=chosen,
        bars=walk.bars,
        events=_events(walk.found),
        tempos=sorted(walk.tempos),
        remarks=walk.remarks,
        has_old_treble=is_old,
    )


def _read_signs_of_all(bars: Sequence[Element], walk: _Walk) -> None:
    """What sends the players to another bar often stands in one part for all."""
    for measure, bar in zip(bars, walk.bars, strict=True):
        for element in measure.findall("direction"):
            read_signs(element, bar)


def _read_bar(measure: Element, walk: _Walk) -> None:
    number = (measure.get("number") or str(len(walk.bars) + 1))[:12]
    start = max([walk.at, *(bar.onset + bar.length for bar in walk.bars[-1:])])
    walk.at = walk.last = start
    bar = Bar(number, start, beats=walk.beats, unit=walk.unit, fifths=walk.fifths)
    walk.bars.append(bar)
    end = start
    for element in measure:
        if element.tag == "note":
            _read_note(element, walk, f"bar {number}")
        elif element.tag in ("backup", "forward"):
            where = f"bar {number}, {element.tag}"
            by = number_of(element.findtext("duration"), where, 0, LONGEST) / walk.divisions
            walk.at = max(start, walk.at - by) if element.tag == "backup" else walk.at + by
            walk.last = walk.at
        elif element.tag == "attributes":
            _read_attributes(element, walk, bar)
        elif element.tag == "direction":
            _read_direction(element, walk, bar)
        elif element.tag == "sound":
            read_signs(element, bar)
            _read_tempo(element.get("tempo"), walk.at, walk)
        elif element.tag == "barline":
            _read_barline(element, walk, bar)
        end = max(end, walk.at)
    bar.length = end - start
    walk.at = end


def _read_note(element: Element, walk: _Walk, where: str) -> None:
    walk.notes += 1
    if walk.notes > MOST_NOTES:
        raise refused(f"expected at most {MOST_NOTES} notes")
    written = read_note(element, walk.divisions, walk.semitones, where)
    is_cue = element.find("cue") is not None
    if element.find("unpitched") is not None:
        walk.remark("Notes without a pitch are left out.")
    if written.tone is not None and not is_cue:
        written = replace(written, tone=replace(written.tone, number=walk.notes))
        onset = walk.last if written.joins else walk.at
        walk.found.append((onset, len(walk.bars) - 1, written))
        if walk.is_treble:
            walk.in_treble.add(walk.notes)
    if not written.joins:
        walk.last = walk.at
        walk.at += written.length


def _read_attributes(element: Element, walk: _Walk, bar: Bar) -> None:
    divisions = element.findtext("divisions")
    where = f"bar {bar.number}"
    if divisions is not None:
        walk.divisions = number_of(divisions, f"{where}, divisions", 0.001, 100_000)
    fifths = element.findtext("key/fifths")
    if fifths is not None:
        walk.fifths = bar.fifths = whole_of(fifths, f"{where}, key", -9, 9)
    beats, unit = element.findtext("time/beats"), element.findtext("time/beat-type")
    if beats is not None and unit is not None:
        tops = [whole_of(top, f"{where}, time", 1, 99) for top in beats.split("+")]
        walk.beats = bar.beats = sum(tops)
        walk.unit = bar.unit = whole_of(unit, f"{where}, time", 1, 128)
    for clef in element.findall("clef"):
        if clef.get("number", "1") == "1":
            walk.is_treble = is_plain_treble(clef)
    moves = element.find("transpose")
    if moves is not None:
        by = whole_of(moves.findtext("chromatic", "0"), f"{where}, transpose", -48, 48)
        octaves = whole_of(moves.findtext("octave-change", "0"), f"{where}, transpose", -4, 4)
        walk.semitones = by + 12 * octaves


def _read_direction(element: Element, walk: _Walk, bar: Bar) -> None:
    read_signs(element, bar)
    sound = element.find("sound")
    if sound is not None and _read_tempo(sound.get("tempo"), walk.at, walk):
        return
    for mark in element.iter("metronome"):
        unit, told = UNITS.get(text_of(mark, "beat-unit")), text_of(mark, "per-minute")
        beats = re.search(r"\d{1,3}(\.\d{1,3})?", told)
        if unit is not None and beats:
            dotted = Fraction(3, 2) if mark.find("beat-unit-dot") is not None else Fraction(1)
            _read_tempo(str(float(Fraction(beats.group()) * unit * dotted)), walk.at, walk)


def _read_tempo(told: str | None, at: Fraction, walk: _Walk) -> bool:
    if not told or not re.fullmatch(r"\d{1,4}(\.\d{1,9})?", told.strip()):
        return False
    if not SLOWEST <= float(told) <= FASTEST:
        return False
    walk.tempos.append((at, float(told)))
    return True


def _read_barline(element: Element, walk: _Walk, bar: Bar) -> None:
    read_bar_line(element, bar)
    ending = element.find("ending")
    if ending is not None and ending.get("type") in ("stop", "discontinue"):
        walk.ended.append(len(walk.bars) - 1)
    at_end = element.get("location", "right") == "right"
    if at_end and text_of(element, "bar-style") in DOUBLE_BARS:
        bar.closes = True


def _lower_the_bass(walk: _Walk, instrument: Instrument | None) -> None:
    """A bass part is written an octave above its sound; a file that does not say so is meant so."""
    midis = [written.tone.pitch.midi for _, _, written in walk.found if written.tone]
    if instrument is not Instrument.BASS or walk.semitones or not midis:
        return
    if min(midis) < BASS_SOUNDS_BELOW:
        return
    walk.remark("The double bass is read as sounding an octave below what is written.")
    walk.found = [(onset, bar, _an_octave_below(written)) for onset, bar, written in walk.found]


def _lower_the_treble(walk: _Walk) -> None:
    walk.found = [
        (onset, bar, _an_octave_below(written))
        if written.tone and written.tone.number in walk.in_treble
        else (onset, bar, written)
        for onset, bar, written in walk.found
    ]


def _an_octave_below(written: Written) -> Written:
    if written.tone is None:
        return written
    pitch = written.tone.pitch
    lower = replace(pitch, octave=pitch.octave - 1)
    return replace(written, tone=replace(written.tone, pitch=lower))


def _events(found: Sequence[tuple[Fraction, int, Written]]) -> list[Event]:
    """In the order in which they sound; grace notes before what they lead to."""
    whole = [each for each in found if not each[2].is_grace]
    events = [_joined(list(group)) for _, group in groupby(sorted(whole, key=_onset), key=_onset)]
    graces: list[list[tuple[Fraction, int, Written]]] = []
    for each in found:
        if each[2].is_grace:
            if each[2].joins and graces and graces[-1][0][0] == each[0]:
                graces[-1].append(each)
            else:
                graces.append([each])
    small = [_joined(group) for group in graces]
    return sorted([*small, *events], key=lambda event: (event.onset, not event.is_grace))


def _onset(each: tuple[Fraction, int, Written]) -> Fraction:
    return each[0]


def _joined(group: Sequence[tuple[Fraction, int, Written]]) -> Event:
    onset, bar, first = group[0]
    tones: dict[int, Tone] = {}
    for _, _, written in group:
        if written.tone is not None:
            tones.setdefault(written.tone.pitch.midi, written.tone)
    return Event(
        onset=onset,
        length=max(written.length for _, _, written in group),
        bar=bar,
        tones=tuple(tones[midi] for midi in sorted(tones)),
        is_grace=first.is_grace,
        slurs_begin=sum(written.slurs_begin for _, _, written in group),
        slurs_end=sum(written.slurs_end for _, _, written in group),
        marks=frozenset().union(*(written.marks for _, _, written in group)),
    )
