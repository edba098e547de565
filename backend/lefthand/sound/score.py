"""The drill of a take: what was to be played, read from `jolf-drill/1`."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Any

from lefthand.music.drill_json import A4_HZ, DRILL_FORMAT
from lefthand.values.errors import InputError
from lefthand.values.fields import (
    read_choice,
    read_flag,
    read_mapping,
    read_number,
    read_one_of,
    read_whole,
    short,
)
from lefthand.values.vocabulary import FINGERS, Instrument

A4_RANGE = (415.0, 446.0)
LOWEST_MIDI, HIGHEST_MIDI = 20, 120
STRINGS = 4
USUAL_TEMPO, USUAL_TIME = 60, (4, 4)
SAME_MOMENT = 1e-6  # of a bar
MOST_NOTES = 600
LONGEST_SECONDS = 600.0
ARTICULATIONS = ("slurred", "separate")
MIDI_OF_A4 = 69
CENTS = 1200


@dataclass(frozen=True, slots=True)
class ScoreNote:
    """One note to be played. midi: by the drill's own tuning. finger 0 is the open string, string 1
    the highest. onset and seconds at the drill's tempo, s. bound: slurred to the next note. beside:
    MIDI of the open string that is bowed with it, None for none. bar: from 1."""

    midi: int
    finger: int
    string: int
    onset: float
    seconds: float
    bound: bool
    beside: int | None = None
    bar: int = 1


@dataclass(frozen=True, slots=True)
class Score:
    """Notes in order, one at a time. a4: Hz, 415..446. slurred: several notes on one bow."""

    instrument: Instrument
    a4: float
    slurred: bool
    notes: Sequence[ScoreNote]

    def hz(self, midi: float) -> float:
        """Equal temperament (ISO 16:1975 for A4)."""
        return float(self.a4 * 2 ** ((midi - MIDI_OF_A4) / 12))

    @property
    def lowest_hz(self) -> float:
        return self.hz(min(note.midi for note in self.notes))

    @property
    def highest_hz(self) -> float:
        return self.hz(max(note.midi for note in self.notes))

    @property
    def seconds(self) -> float:
        last = self.notes[-1]
        return last.onset + last.seconds

    @property
    def notes_a_second(self) -> float:
        """By the median spacing of the drill."""
        gaps = sorted(b.onset - a.onset for a, b in pairwise(self.notes))
        return 1 / gaps[len(gaps) // 2] if gaps else 1 / self.notes[0].seconds


def parse_score(data: Any) -> Score:
    """Reads what a take needs of a drill; what is printed beside it is not looked at. Raises
    InputError naming the field, also for a drill with double stops or with nothing to hear."""
    fields = read_mapping("drill", data)
    if fields.get("format") != DRILL_FORMAT:
        raise InputError("format", f"expected {DRILL_FORMAT!r}")
    instrument = read_choice("instrument", fields.get("instrument"), Instrument)
    a4 = read_number("a4", fields.get("a4", A4_HZ), *A4_RANGE)
    articulation = read_one_of(
        "articulation", fields.get("articulation", ARTICULATIONS[1]), ARTICULATIONS
    )
    raw = fields.get("notes")
    if not isinstance(raw, list) or not raw:
        raise InputError("notes", "expected notes; there is nothing to hear in this drill")
    if len(raw) > MOST_NOTES:
        raise InputError("notes", f"expected at most {MOST_NOTES} notes, got {len(raw)}")
    bar = _bar_seconds(fields)
    notes = _one_at_a_time([_note(f"notes.{place}", note, bar) for place, note in enumerate(raw)])
    return Score(instrument, a4, articulation == ARTICULATIONS[0], notes)


def _one_at_a_time(notes: Sequence[ScoreNote]) -> tuple[ScoreNote, ...]:
    """A stopped note with an open string beside it counts as one; no other double stop does."""
    line: list[ScoreNote] = []
    for place, note in enumerate(notes):
        last = line[-1] if line else None
        if last is None or note.onset > last.onset:
            line.append(note)
        elif note.onset == last.onset and last.beside is None and 0 in (note.finger, last.finger):
            stopped, opened = (last, note) if note.finger == 0 else (note, last)
            line[-1] = replace(stopped, beside=opened.midi)
        else:
            raise InputError(f"notes.{place}", "expected one note at a time, each after the last")
    return tuple(line)


def _bar_seconds(fields: Mapping[str, Any]) -> float:
    """How long a bar lasts at the drill's tempo, s."""
    tempo = read_number("tempo", fields.get("tempo", USUAL_TEMPO), 1, 600)
    time = fields.get("time", USUAL_TIME)
    if not isinstance(time, list | tuple) or len(time) != 2:
        raise InputError("time", f"expected beats and unit, got {short(time)}")
    beats, unit = (read_whole("time", each, 1, 64) for each in time)
    return 60 * 4 * beats / unit / tempo


def _note(field: str, raw: Any, bar: float) -> ScoreNote:
    note: Mapping[str, Any] = read_mapping(field, raw)
    if note.get("pluck") is not None:
        raise InputError(f"{field}.pluck", "a plucked note cannot be measured")
    onset = read_number(f"{field}.onset", note.get("onset"), 0, LONGEST_SECONDS)
    return ScoreNote(
        midi=read_whole(f"{field}.midi", note.get("midi"), LOWEST_MIDI, HIGHEST_MIDI),
        finger=read_whole(f"{field}.finger", note.get("finger"), 0, max(FINGERS)),
        string=read_whole(f"{field}.string", note.get("string"), 1, STRINGS),
        onset=onset,
        seconds=read_number(f"{field}.seconds", note.get("seconds"), 0.02, LONGEST_SECONDS),
        bound=read_flag(f"{field}.slur", note.get("slur", False)),
        bar=int(onset / bar + SAME_MOMENT) + 1,
    )
