"""Our own drills and tunes read as any music is: with the fingers that they have."""

from collections.abc import Mapping, Sequence
from dataclasses import replace
from fractions import Fraction

from lefthand.music.reading.piece import Bar, Event, Part, Piece
from lefthand.music.reading.piece import Tone as ReadTone
from lefthand.music.score import Drill
from lefthand.passage.fingering import Wish
from lefthand.passage.passage import Asked, Passage, read_passage

LETS_GO = "fermata"  # a stop, or a stop that is written in


def passage_of_drill(drill: Drill, asked: Asked) -> Passage:
    """What a drill asks of a hand; its instrument, tempo and fingers are its own."""
    piece, wishes = piece_of_drill(drill)
    own = replace(
        asked, instrument=drill.instrument, tempo=float(drill.tempo), bars=None, wishes=wishes
    )
    return read_passage(piece, own)


def piece_of_drill(drill: Drill) -> tuple[Piece, Mapping[int, Sequence[Wish]]]:
    """The drill as a piece, and its fingers and strings by place among what sounds."""
    bars: list[Bar] = []
    events: list[Event] = []
    wishes: dict[int, list[Wish]] = {}
    onset, number, slurred = Fraction(0), 0, False
    for place, notes in enumerate(drill.bars):
        bars.append(
            Bar(
                number=str(place + 1),
                onset=onset,
                length=sum((note.length for note in notes), Fraction(0)),
                beats=drill.beats,
                fifths=drill.key.fifths,
            )
        )
        for note in notes:
            binds = "slur" in note.marks
            if note.tones:
                wishes[len(events)] = [Wish(t.finger, t.string, t.pitch.midi) for t in note.tones]
                events.append(
                    Event(
                        onset=onset,
                        length=note.length,
                        bar=place,
                        tones=tuple(
                            ReadTone(tone.pitch, number=number + at)
                            for at, tone in enumerate(note.tones, start=1)
                        ),
                        slurs_begin=int(binds and not slurred),
                        slurs_end=int(slurred and not binds),
                        marks=frozenset({LETS_GO}) if "stop" in note.marks else frozenset(),
                    )
                )
                number += len(note.tones)
                slurred = binds
            onset += note.length
    part = Part("P1", drill.title, drill.instrument)
    tempos = [(Fraction(0), float(drill.tempo))]
    return Piece(drill.title, [part], part, bars, events, tempos, ()), wishes
