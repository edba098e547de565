"""A piece as it was read: one part, its bars and what sounds in them."""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction

from lefthand.music.strings import Pitch
from lefthand.values.vocabulary import Instrument


class Sign(StrEnum):
    """What sends the player to another bar; each stands at the end of its bar but segno and coda,
    which are where one goes to."""

    SEGNO = "segno"
    CODA = "coda"
    TO_CODA = "to_coda"
    FINE = "fine"
    DA_CAPO = "da_capo"
    DAL_SEGNO = "dal_segno"


@dataclass(frozen=True, slots=True)
class Tone:
    """One sounding pitch. pitch: as it sounds. fingers: as printed. string: as printed, 1 is the
    highest. tied_from: begun by the tone before; tied_to: goes on in the next. number: of its note
    in the part, from 1, rests counted; 0 where there is no file."""

    pitch: Pitch
    fingers: tuple[str, ...] = ()
    string: int | None = None
    tied_from: bool = False
    tied_to: bool = False
    number: int = 0


@dataclass(frozen=True, slots=True)
class Event:
    """Tones that begin together. onset, length: quarters from the start of the piece; a grace note
    has no length. bar: place in the piece. slurs_begin, slurs_end: how many."""

    onset: Fraction
    length: Fraction
    bar: int
    tones: tuple[Tone, ...]
    is_grace: bool = False
    slurs_begin: int = 0
    slurs_end: int = 0
    marks: frozenset[str] = frozenset()


@dataclass(slots=True)
class Bar:
    """number: as printed. onset, length: quarters. beats, unit: of the time signature. fifths: of
    the key signature. closes: with a double bar or a repeat. opens: a repeat begins with it.
    repeats: how often what lies before its end is played, 0 for no repeat. endings: the turns that
    it is played in, empty for all."""

    number: str
    onset: Fraction
    length: Fraction = Fraction(0)
    beats: int = 4
    unit: int = 4
    fifths: int = 0
    opens: bool = False
    repeats: int = 0
    endings: frozenset[int] = frozenset()
    signs: frozenset[Sign] = frozenset()
    closes: bool = False


@dataclass(frozen=True, slots=True)
class Part:
    """A part of the score. instrument: by its name, None where that says nothing."""

    id: str
    name: str
    instrument: Instrument | None


@dataclass(frozen=True, slots=True)
class Piece:
    """tempos: (quarters from the start, quarters a minute). remarks: what was read otherwise than
    it stands there, in words. has_old_treble: its treble clef looks like that of old editions for
    the cello, an octave above the sound."""

    title: str
    parts: Sequence[Part]
    part: Part
    bars: Sequence[Bar]
    events: Sequence[Event]
    tempos: Sequence[tuple[Fraction, float]]
    remarks: Sequence[str]
    has_old_treble: bool = False
