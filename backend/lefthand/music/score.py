"""A short piece of one-line music: notes with fingers and strings, in bars."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from fractions import Fraction
from typing import Any

from lefthand.music.strings import Pitch
from lefthand.values.vocabulary import Instrument

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

    marks: any of "pluck" (left hand), "pizz", "short", "stop" (a pause after it), "slide" (slides
    to the next), "silent".
    """

    length: Fraction
    tones: tuple[Tone, ...] = ()
    marks: frozenset[str] = frozenset()

    @property
    def is_rest(self) -> bool:
        return not self.tones


@dataclass(frozen=True, slots=True)
class Drill:
    """Bars of 4/4. `tempo`: quarter notes a minute. `hint`: one line of words above the music."""

    name: str
    title: str
    instrument: Instrument
    tempo: int
    bars: tuple[tuple[Event, ...], ...]
    hint: str = ""

    def events(self) -> Iterable[tuple[Fraction, Event]]:
        """Every event with its onset in quarter notes from the start."""
        onset = Fraction(0)
        for bar in self.bars:
            for event in bar:
                yield onset, event
                onset += event.length

    def pitches(self) -> list[Pitch]:
        return [tone.pitch for _, event in self.events() for tone in event.tones]


def rest(length: Fraction = QUARTER) -> Event:
    return Event(length)


def into_bars(events: Sequence[Event]) -> tuple[tuple[Event, ...], ...]:
    """Cut a line of events into bars of four quarters; the last bar is filled with a rest.

    Raises ValueError when an event would cross a bar line.
    """
    bars: list[tuple[Event, ...]] = []
    bar: list[Event] = []
    filled = Fraction(0)
    for event in events:
        if filled + event.length > BAR:
            raise ValueError(f"an event of {event.length} crosses the bar line after {filled}")
        bar.append(event)
        filled += event.length
        if filled == BAR:
            bars.append(tuple(bar))
            bar, filled = [], Fraction(0)
    if bar:
        bar += [rest(length) for length in _rests(BAR - filled)]
        bars.append(tuple(bar))
    return tuple(bars)


def _rests(length: Fraction) -> Iterable[Fraction]:
    for size in (HALF, QUARTER, EIGHTH, SIXTEENTH):
        while length >= size:
            yield size
            length -= size


def drill_json(drill: Drill) -> dict[str, Any]:
    """What is expected to be heard: notes with finger, string (1 is the highest) and onset in s."""
    beat = 60 / drill.tempo
    notes = []
    for onset, event in drill.events():
        for tone in event.tones:
            notes.append(
                {
                    "pitch": str(tone.pitch),
                    "midi": tone.pitch.midi,
                    "finger": tone.finger,
                    "string": 4 - tone.string,
                    "onset": round(float(onset) * beat, 4),
                    "seconds": round(float(event.length) * beat, 4),
                }
            )
    return {
        "format": "jolf-drill/1",
        "drill": drill.name,
        "instrument": drill.instrument.value,
        "tempo": drill.tempo,
        "notes": notes,
    }
