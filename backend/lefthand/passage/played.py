"""From what is written to what the hand plays: ties joined, seconds at a tempo, rests, ends of
phrases."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from fractions import Fraction
from itertools import pairwise

from lefthand.music.reading.piece import Event, Piece, Tone

USUAL_TEMPO = 90.0  # quarters a minute, where none is told
GRACE_SECONDS = 0.08
MOST_HELD = 3
LONG_SECONDS, LONG_QUARTERS = 0.6, Fraction(3, 2)
REST = 0.05  # s
STOPS = frozenset({"fermata", "breath-mark", "caesura"})


@dataclass(slots=True)
class Played:
    """What begins together. onset, length: quarters, ties joined. at, seconds: s. held: begun
    before in another voice. slurred: bound to the note before. rest: s of silence before it."""

    onset: Fraction
    length: Fraction
    bar: int
    tones: tuple[Tone, ...]
    held: tuple[Tone, ...]
    at: float
    seconds: float
    is_grace: bool = False
    slurred: bool = False
    rest: float = 0.0
    ends_phrase: bool = False
    marks: frozenset[str] = frozenset()

    @property
    def pitches(self) -> tuple[tuple[int, int], ...]:
        """(midi, letters above C0) of all that sounds, lowest first."""
        sounding = {tone.pitch for tone in (*self.tones, *self.held)}
        return tuple(sorted((p.midi, 7 * p.octave + p.step) for p in sounding))


def clock(piece: Piece, tempo: float | None) -> Callable[[Fraction], float]:
    """Seconds at a place in quarters: at one tempo, else at those of the piece."""
    marks = [(Fraction(0), tempo)] if tempo else list(piece.tempos)
    if not marks:
        marks = [(Fraction(0), USUAL_TEMPO)]
    marks[0] = (Fraction(0), marks[0][1])
    starts = [0.0]
    for (begin, speed), (end, _) in pairwise(marks):
        starts.append(starts[-1] + float(end - begin) * 60 / speed)

    def seconds(at: Fraction) -> float:
        place = max(n for n, (begin, _) in enumerate(marks) if n == 0 or begin <= at)
        begin, speed = marks[place]
        return starts[place] + float(at - begin) * 60 / speed

    return seconds


def played(piece: Piece, tempo: float | None = None) -> list[Played]:
    """In the order of playing."""
    seconds = clock(piece, tempo)
    line: list[Played] = []
    sounding: list[tuple[Tone, Played]] = []
    slurs = 0
    for event in piece.events:
        if event.is_grace:
            line.append(_grace(event, seconds, slurred=slurs > 0))
        else:
            fresh = _go_on(event, sounding, seconds)
            sounding[:] = [(t, p) for t, p in sounding if p.onset + p.length > event.onset]
            if fresh:
                line.append(_begun(event, fresh, sounding, seconds, slurred=slurs > 0))
                sounding += [(tone, line[-1]) for tone in fresh]
        slurs = max(0, slurs + event.slurs_begin - event.slurs_end)
    _tell_rests(line, seconds)
    _tell_phrases(line, piece)
    return line


def _grace(event: Event, seconds: Callable[[Fraction], float], *, slurred: bool) -> Played:
    return Played(
        onset=event.onset,
        length=Fraction(0),
        bar=event.bar,
        tones=event.tones,
        held=(),
        at=seconds(event.onset),
        seconds=GRACE_SECONDS,
        is_grace=True,
        slurred=slurred,
        marks=event.marks,
    )


def _go_on(
    event: Event, sounding: Sequence[tuple[Tone, Played]], seconds: Callable[[Fraction], float]
) -> list[Tone]:
    """Tones that begin here; those that are tied make the ones before longer."""
    fresh = []
    for tone in event.tones:
        before = next(
            (
                p
                for t, p in sounding
                if tone.tied_from
                and t.pitch.midi == tone.pitch.midi
                and p.onset + p.length == event.onset
            ),
            None,
        )
        if before is None:
            fresh.append(tone)
            continue
        before.length = event.onset + event.length - before.onset
        before.seconds = seconds(before.onset + before.length) - before.at
    return fresh


def _begun(
    event: Event,
    fresh: Sequence[Tone],
    sounding: Sequence[tuple[Tone, Played]],
    seconds: Callable[[Fraction], float],
    *,
    slurred: bool,
) -> Played:
    at = seconds(event.onset)
    return Played(
        onset=event.onset,
        length=event.length,
        bar=event.bar,
        tones=tuple(fresh),
        held=tuple(tone for tone, _ in sounding[:MOST_HELD]),
        at=at,
        seconds=seconds(event.onset + event.length) - at,
        slurred=slurred,
        marks=event.marks,
    )


def _tell_rests(line: Sequence[Played], seconds: Callable[[Fraction], float]) -> None:
    end = Fraction(0)
    for place, note in enumerate(line):
        if place and note.onset > end:
            note.rest = seconds(note.onset) - seconds(end)
        end = max(end, note.onset + note.length)


def _tell_phrases(line: Sequence[Played], piece: Piece) -> None:
    for note, following in zip(line, [*line[1:], None], strict=False):
        bar = piece.bars[note.bar]
        closes = bar.closes and note.onset + note.length >= bar.onset + bar.length
        if following is None or following.rest > REST or STOPS & note.marks or closes:
            note.ends_phrase = True
            continue
        is_long = note.seconds >= LONG_SECONDS and note.length >= 2 * (following.length or 1)
        note.ends_phrase = is_long and note.length >= LONG_QUARTERS and not following.slurred
