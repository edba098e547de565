"""A short piece of one-line music: notes with fingers and strings, in bars."""

from collections.abc import Iterable
from dataclasses import dataclass
from fractions import Fraction
from typing import Any

from lefthand.music.strings import Pitch
from lefthand.values.vocabulary import Instrument, StopLook

WHOLE, HALF, QUARTER = Fraction(4), Fraction(2), Fraction(1)
EIGHTH, SIXTEENTH = Fraction(1, 2), Fraction(1, 4)
BAR = Fraction(4)


@dataclass(frozen=True, slots=True)
class Tone:
    """One sounding pitch: its finger (0 open) and string (0 is the lowest)."""

    pitch: Pitch
    finger: int
    string: int


@dataclass(frozen=True, slots=True)
class Event:
    """A note, a double stop, or a rest (no tones). `length` in quarter notes.

    marks: any of "short", "stop" (a pause after it), "slide" (slides to the next), "slur" (bound to
    the next), "tap" (the thumb taps), "blank" (left to the player: not printed). kept: fingers that
    stay down beside the sounding one. plucks: the finger of the left hand that plucks it, 0 for
    none; it is not the sounding one.
    """

    length: Fraction
    tones: tuple[Tone, ...] = ()
    marks: frozenset[str] = frozenset()
    kept: tuple[int, ...] = ()
    plucks: int = 0

    @property
    def is_rest(self) -> bool:
        return not self.tones


@dataclass(frozen=True, slots=True)
class Key:
    """fifths: sharps (flats negative) of the signature. tonic: its letter and sign. minor or major
    by `is_minor`."""

    fifths: int
    tonic: str
    is_minor: bool = False


@dataclass(frozen=True, slots=True)
class Drill:
    """Bars of `beats` quarters. `tempo`: quarter notes a minute. `hint`: one line of words above
    the music. `credit`: where a tune comes from. `keys`: other keys from a bar
    (counted from 0) on. `asked`: what it was made for, to make it again. `looks`: what is looked
    at at each stop, in this order.
    """

    name: str
    title: str
    instrument: Instrument
    tempo: int
    bars: tuple[tuple[Event, ...], ...]
    key: Key
    hint: str = ""
    credit: str = ""
    beats: int = 4
    keys: tuple[tuple[int, Key], ...] = ()
    asked: tuple[tuple[str, Any], ...] = ()
    looks: tuple[StopLook, ...] = ()

    def events(self) -> Iterable[tuple[Fraction, Event]]:
        """Every event with its onset in quarter notes from the start."""
        onset = Fraction(0)
        for bar in self.bars:
            for event in bar:
                yield onset, event
                onset += event.length

    def pitches(self) -> list[Pitch]:
        return [tone.pitch for _, event in self.events() for tone in event.tones]

    @property
    def is_slurred(self) -> bool:
        return any("slur" in event.marks for _, event in self.events())


def rest(length: Fraction = QUARTER) -> Event:
    return Event(length)


def into_bars(events: Iterable[Event], beats: int = 4) -> tuple[tuple[Event, ...], ...]:
    """Cut a line of events into bars of `beats` quarters; the last bar is filled with rests.

    Raises ValueError when an event would cross a bar line.
    """
    bars: list[tuple[Event, ...]] = []
    bar: list[Event] = []
    filled = Fraction(0)
    for event in events:
        if filled + event.length > beats:
            raise ValueError(f"an event of {event.length} crosses the bar line after {filled}")
        bar.append(event)
        filled += event.length
        if filled == beats:
            bars.append(tuple(bar))
            bar, filled = [], Fraction(0)
    if bar:
        bar += [rest(length) for length in rests_of(beats - filled)]
        bars.append(tuple(bar))
    return tuple(bars)


def rests_of(length: Fraction) -> Iterable[Fraction]:
    """Lengths of rests that together last `length`."""
    for size in (HALF, QUARTER, EIGHTH, SIXTEENTH):
        while length >= size:
            yield size
            length -= size
